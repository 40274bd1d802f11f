import { useCallback, useEffect, useState } from 'react'
import { type Aside, asideOf, doneWith } from '~/client/job/queue'
import { counted, showMoment } from '~/lib/format'
import { useSay } from '~/lib/say'
import { Button, FileButton, LinkButton } from '~/ui/button'
import { eventFact } from '~core/job/event-fact'
import { jobEventSchema } from '~core/job/events'

type Props = {
  jobId: string
  /** How many the page around this knows of: another number, and the list is looked at anew. */
  count: number
  /** Told where the job is not what the page is about. */
  plate?: string
}

/** Acts of this browser that are not in the job. They are not lost: whoever puts it right has them here. */
export function AsideNotice({ jobId, count, plate }: Props) {
  const [aside, setAside] = useState<Aside[]>([])
  const look = useCallback(() => {
    // A browser without a store has nothing aside.
    void asideOf(jobId).then(setAside, () => setAside([]))
  }, [jobId])
  // biome-ignore lint/correctness/useExhaustiveDependencies: one more was set aside
  useEffect(look, [look, count])
  if (aside.length === 0) return null
  const seenTo = () => {
    const ids = aside.map(({ event }) => event.id)
    void doneWith(jobId, ids).then(look, look)
  }
  const them = aside.length === 1 ? 'it' : 'them'
  return (
    <details className="mt-3 border-4 border-oxide bg-sheet p-3">
      <summary className="min-h-11 content-center font-bold">
        {plate !== undefined && <span className="plate mr-2 align-middle">{plate}</span>}
        {counted(aside.length, 'act')} done on this screen{' '}
        {aside.length === 1 ? 'is not in the job' : 'are not in the job'}: the server did not take {them}.
      </summary>
      <p className="mt-2">Look how the job stands, and enter what is missing once more.</p>
      <ul className="mt-2 grid gap-2">
        {aside.map((each) => (
          <AsideItem key={each.event.id} {...each} />
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap gap-3">
        <FileButton
          download={`acts-${jobId}.json`}
          href={`data:application/json,${encodeURIComponent(JSON.stringify(aside, null, 2))}`}
        >
          Keep {them} as a file
        </FileButton>
        {plate !== undefined && <LinkButton to={`/jobs/${jobId}`}>Open the job</LinkButton>}
        <Button onClick={seenTo}>Seen to: take {them} off this screen</Button>
      </div>
    </details>
  )
}

function AsideItem({ event, why }: Aside) {
  const say = useSay()
  const read = jobEventSchema.safeParse(event)
  return (
    <li className="border-t-2 border-rule pt-2">
      {showMoment(event.at)}
      {event.by && `, ${event.by.name}`}:{' '}
      <strong>{read.success ? say(eventFact(read.data)) : event.type}</strong>
      <span className="block">Why not: {say(why)}</span>
      {!read.success && <pre className="overflow-x-auto text-sm">{JSON.stringify(event, null, 1)}</pre>}
    </li>
  )
}

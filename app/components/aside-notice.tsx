import { useEffect, useState } from 'react'
import { type Aside, asideOf } from '~/client/job/queue'
import { counted, showMoment } from '~/lib/format'
import { FileButton } from '~/ui/button'

/** Acts of this browser that the server could not read. They are not lost: whoever mends it has them here. */
export function AsideNotice({ jobId, count }: { jobId: string; count: number }) {
  const [aside, setAside] = useState<Aside[]>([])
  // biome-ignore lint/correctness/useExhaustiveDependencies: one more was set aside
  useEffect(() => {
    // A browser without a store has nothing aside.
    void asideOf(jobId).then(setAside, () => setAside([]))
  }, [jobId, count])
  if (aside.length === 0) return null
  return (
    <details className="mt-3 border-4 border-oxide bg-sheet p-3">
      <summary className="font-bold">
        {counted(aside.length, 'act')} of this browser could not be read by the server, and{' '}
        {aside.length === 1 ? 'is' : 'are'} not in the job. Enter what is missing once more; this is what was
        done:
      </summary>
      <ul className="mt-2 grid gap-2">
        {aside.map(({ event, why }) => (
          <li key={event.id} className="border-t-2 border-rule pt-2">
            {showMoment(event.at)}: {event.type}. {why}
            <pre className="overflow-x-auto text-sm">{JSON.stringify(event, null, 1)}</pre>
          </li>
        ))}
      </ul>
      <FileButton
        className="mt-2 inline-flex"
        download={`acts-${jobId}.json`}
        href={`data:application/json,${encodeURIComponent(JSON.stringify(aside, null, 2))}`}
      >
        Keep them as a file
      </FileButton>
    </details>
  )
}

import { Form, useSubmit } from 'react-router'
import { stageNames } from '~/components/stage-names'
import { counted, showClock, showMinutes } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { zoneHere } from '~/lib/zone'
import { Button, FileButton } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { secondsBetween } from '~core/base/day'
import { type Chapter, chaptersOf, type Entry } from '~core/job/trace'
import { database } from '~server/http/context.server'
import { jobTrace } from '~server/store/jobs.server'
import type { Route } from './+types/trace'
import type { Station } from './station'

export const handle: Station = { whileParked: true }

/** Chapters as short as this are never folded. */
const SHORT = 12

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const chapters = chaptersOf(await jobTrace(context.get(database), params.jobId))
  const asked = new URL(request.url).searchParams
  const only = { wrong: asked.has('wrong'), who: asked.get('who') ?? '' }
  const people = new Set(chapters.flatMap(({ entries }) => entries.map(({ event }) => whoDid(event))))
  const shown = (entry: Entry) =>
    (!only.wrong || entry.wentWrong || entry.undone) && (only.who === '' || whoDid(entry.event) === only.who)
  const count = (all: readonly Chapter[]) => all.reduce((sum, { entries }) => sum + entries.length, 0)
  const kept = chapters
    .map((chapter) => ({ ...chapter, entries: chapter.entries.filter(shown) }))
    .filter(({ entries }) => entries.length > 0)
  return { chapters: kept, people: [...people], only, total: count(chapters), shown: count(kept) }
}

const NOBODY = 'not said'
const whoDid = ({ by }: Entry['event']): string => by?.name ?? NOBODY

/** Every act as it was recorded, undone ones with it, folded by where it was done: who, what, and when. */
export default function Trace({ loaderData, params }: Route.ComponentProps) {
  const { chapters, people, only, total, shown } = loaderData
  const submit = useSubmit()
  const filtered = only.wrong || only.who !== ''
  return (
    <Panel className="grid gap-4">
      <title>Trace · Ruddy Siphon</title>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-2xl">Every act: {total} of them, none ever changed</h1>
        <FileButton href={`/jobs/${params.jobId}/log.json`} download>
          As a file (.json)
        </FileButton>
      </div>
      <Form
        className="flex flex-wrap items-end gap-4 print:hidden"
        onChange={(event) => submit(event.currentTarget, { replace: true, preventScrollReset: true })}
      >
        <label className="flex min-h-12 items-center gap-2 font-bold">
          <input type="checkbox" name="wrong" defaultChecked={only.wrong} className="size-6 accent-oxide" />
          Only what went wrong
        </label>
        <label className="grid gap-1">
          <span className="field-label">By whom</span>
          <select name="who" defaultValue={only.who} className="input min-w-48">
            <option value="">everybody</option>
            {people.map((name) => (
              <option key={name}>{name}</option>
            ))}
          </select>
        </label>
        <Button type="submit" className="sr-only focus:not-sr-only">
          Show these
        </Button>
        <p role="status" className="min-h-12 content-center text-quiet">
          {filtered && `${counted(shown, 'act')} of ${total}`}
        </p>
      </Form>
      <p className="text-sm text-quiet">
        Times are {zoneHere()}, by the screen’s clock; the server’s stands beside it where the two differ.
      </p>
      {chapters.map((chapter, i) => (
        // Where the job stands is what somebody looks for first.
        <ChapterRows
          key={chapter.entries[0]?.no}
          chapter={chapter}
          open={filtered || i === chapters.length - 1}
        />
      ))}
      {chapters.length === 0 && <p>Nothing of that kind was recorded.</p>}
    </Panel>
  )
}

function ChapterRows({ chapter, open }: { chapter: Chapter; open: boolean }) {
  const { entries } = chapter
  const wrong = entries.filter(({ wentWrong }) => wentWrong).length
  const [first, last] = [entries[0]?.event.at ?? '', entries.at(-1)?.event.at ?? '']
  return (
    <details className="printed group border-t-2 border-ink" open={open || entries.length <= SHORT}>
      <summary className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
        <span className="w-4 text-xl font-bold group-open:rotate-90 print:hidden" aria-hidden="true">
          ▸
        </span>
        <strong className="text-lg">{titleOf(chapter, useShow())}</strong>
        <span className="text-quiet">
          {counted(entries.length, 'act')} in {showMinutes(secondsBetween(first, last) / 60)} min
        </span>
        {wrong > 0 && (
          <span className="border-l-8 border-oxide pl-2 font-bold">
            ✗ {counted(wrong, 'thing')} went wrong
          </span>
        )}
      </summary>
      <ol className="mb-3">
        {entries.map((entry, i) => (
          <Row key={entry.event.id} entry={entry} before={entries[i - 1]} />
        ))}
      </ol>
    </details>
  )
}

function titleOf(chapter: Chapter, show: ReturnType<typeof useShow>): string {
  switch (chapter.at) {
    case 'desk':
      return 'At the desk'
    case 'proof':
      return 'The proof'
    case 'filed':
      return 'Filed, and since'
    case 'stage':
      return `Stage ${chapter.stage + 1}, ${stageNames[chapter.kind].toLowerCase()}`
    case 'place': {
      const came = chapter.ml ? `, ${show('volume', chapter.ml)} out` : ''
      return `Stage ${chapter.stage + 1}, at ${chapter.point}${came}${chapter.finished ? ', done' : ''}`
    }
  }
}

/** Nobody worries about a second; beyond this an event came late, or a clock is wrong. */
const LATE_S = 5

function Row({ entry, before }: { entry: Entry; before?: Entry }) {
  const { no, event, says, atServer, undone, wentWrong } = entry
  const say = useSay()
  const apart = (a: string, b: string) => Math.abs(secondsBetween(a, b)) > LATE_S
  // What came to the server together is said once.
  const late = apart(event.at, atServer) && (!before || apart(before.atServer, atServer))
  return (
    <li
      className={`grid gap-x-4 border-b border-rule py-1 sm:grid-cols-[3rem_10.5rem_8rem_1fr] ${wentWrong ? 'border-l-8 border-l-oxide pl-2 font-bold' : 'pl-4'}`}
    >
      <span className="text-quiet tabular-nums">{no}</span>
      <span className="tabular-nums">
        {showClock(event.at)}
        {late && <span className="block text-sm text-quiet">server {showClock(atServer)}</span>}
      </span>
      <span className="wrap-anywhere">
        {whoDid(event)}
        {event.sentBy && <span className="text-quiet">, sent by {event.sentBy.name}</span>}
      </span>
      <span className={`wrap-anywhere ${undone ? 'line-through' : ''}`}>
        {wentWrong && <span className="sr-only">Went wrong: </span>}
        {say(says)}
        {event.typed && ` (typed: ${Object.values(event.typed).join(', ')})`}
        {event.waitedS !== undefined && ` (late: kept in the browser for ${event.waitedS} s)`}
        {undone && <span className="sr-only"> (taken back)</span>}
      </span>
    </li>
  )
}

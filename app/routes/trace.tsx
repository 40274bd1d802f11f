import { database } from '~/context'
import { jobTrace } from '~/db/jobs.server'
import { counted, showClock } from '~/lib/format'
import { useSay } from '~/lib/say'
import { zoneHere } from '~/lib/zone'
import { eventFact } from '~core/job/event-fact'
import type { Route } from './+types/trace'

export async function loader({ params, context }: Route.LoaderArgs) {
  return { trace: await jobTrace(context.get(database), params.jobId) }
}

/** Nobody worries about a second; beyond this an event came late, or a clock is wrong. */
const LATE_S = 5

/** Every act as it was recorded, undone ones with it: who, what, and the time by both clocks. */
export default function Trace({ loaderData: { trace }, params }: Route.ComponentProps) {
  const say = useSay()
  const undone = new Set(trace.flatMap(({ event }) => (event.type === 'undone' ? [event.event] : [])))
  return (
    <section className="panel overflow-x-auto">
      <title>Trace · Ruddy Siphon</title>
      <div className="mb-3 flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-2xl">Every act: {counted(trace.length, 'event')}, none ever changed</h1>
        <a href={`/jobs/${params.jobId}/log.json`} className="button" download>
          As a file (.json)
        </a>
      </div>
      <table className="w-full text-left">
        <thead>
          <tr className="border-b-2 border-ink [&>th]:pr-4">
            <th scope="col">No.</th>
            <th scope="col">At the screen, {zoneHere()}</th>
            <th scope="col">At the server</th>
            <th scope="col">Who</th>
            <th scope="col">What</th>
          </tr>
        </thead>
        <tbody>
          {trace.map(({ event, atServer }, i) => {
            const lateS = Math.round((Date.parse(atServer) - Date.parse(event.at)) / 1000)
            return (
              <tr key={event.id} className="border-b border-rule align-top [&>td]:py-1 [&>td]:pr-4">
                <td>{i + 1}</td>
                <td className="whitespace-nowrap">{showClock(event.at)}</td>
                <td className="whitespace-nowrap">
                  {Math.abs(lateS) <= LATE_S ? 'the same' : showClock(atServer)}
                </td>
                <td>
                  {event.by?.name ?? 'not said'}
                  {event.sentBy && <span className="text-quiet">, sent by {event.sentBy.name}</span>}
                </td>
                <td className={undone.has(event.id) ? 'line-through' : ''}>
                  {say(eventFact(event))}
                  {event.typed && ` (typed: ${Object.values(event.typed).join(', ')})`}
                  {event.waitedS !== undefined && ` (late: kept in the browser for ${event.waitedS} s)`}
                  {undone.has(event.id) && <span className="sr-only"> (taken back)</span>}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </section>
  )
}

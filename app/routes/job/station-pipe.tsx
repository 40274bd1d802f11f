import { NavLink } from 'react-router'
import { stationName } from '~/components/station-names'
import { type Station, stations } from '~core/job/state'

type Props = { jobId: string; station: Station; filed: boolean; tested: boolean }

/** The stations of a job as one pipe: filled as far as the job has come. One that was not asked for bears no tick. */
export function StationPipe({ jobId, station, filed, tested }: Props) {
  const reached = stations.indexOf(station)
  return (
    <nav aria-label="Stations" className="overflow-x-auto print:hidden">
      <ol className="grid grid-cols-3 border-2 border-ink sm:flex sm:min-w-[430px]">
        {stations.map((each, i) => {
          const behind = filed || i < reached
          const left = behind && each === 'test' && !tested
          const state = left ? 'left' : behind ? 'done' : i === reached ? 'now' : 'ahead'
          const open = i <= reached || (each === 'file' && station === 'prove')
          const look = {
            done: 'bg-ink text-sheet',
            left: 'bg-enamel text-ink',
            now: 'bg-oxide text-on-oxide',
            ahead: 'hatched text-ink',
          }[state]
          const box = `flex min-h-12 flex-1 items-center justify-center gap-1 px-0.5 font-bold whitespace-nowrap border-rule ${i > 0 ? 'sm:border-l-2' : ''} ${look}`
          const content = (
            <>
              <span aria-hidden="true">{{ done: '✓', left: '–', now: '▸', ahead: '·' }[state]}</span>{' '}
              {stationName(each)}
              <span className="sr-only">
                {{ done: ' (done)', left: ' (not asked)', now: ' (now)', ahead: ' (ahead)' }[state]}
              </span>
            </>
          )
          return (
            <li key={each} className="flex flex-1">
              {open ? (
                <NavLink
                  to={`/jobs/${jobId}/${each}`}
                  className={({ isActive }) =>
                    `no-underline ${box} ${isActive ? 'shadow-[inset_0_-6px_0_var(--color-enamel)]' : ''}`
                  }
                >
                  {content}
                </NavLink>
              ) : (
                <span className={box}>{content}</span>
              )}
            </li>
          )
        })}
      </ol>
    </nav>
  )
}

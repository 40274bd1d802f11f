import { HosePicture, Swatch } from '~/components/swatch'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { fact } from '~core/base/decision'
import { hidden, type Seen } from '~core/job/practice-vehicle'
import type { Vehicle } from '~core/vehicle/schema'

const MOST_LOOKS = 20

/** What the simulated vehicle shows: bottle, hose, level and foot. What to make of it is the trainee's. */
export function WhatIsSeen({ seen, vehicle, hides }: { seen: Seen; vehicle: Vehicle; hides: number }) {
  const show = useShow()
  const say = useSay()
  const { bottleMl, sinceMl, colour, bubbles, reservoirs, pedalMm, speed } = seen
  const what = hidden[hides]?.what(vehicle)
  return (
    <section className="panel grid gap-4" aria-labelledby="seen">
      <h2 id="seen">What you see and feel</h2>
      <dl className="grid grid-cols-2 gap-3">
        <div>
          <dt className="text-quiet">Bottle</dt>
          <dd className="text-2xl font-extrabold tabular-nums">{show('volume', Math.max(0, bottleMl))}</dd>
          <dd>{show('volume', Math.max(0, Math.round(sinceMl * 10) / 10))} since the last look</dd>
        </div>
        <div>
          <dt className="text-quiet">Hose</dt>
          <dd className="flex items-center gap-3">
            <Swatch colour={colour} />
            <HosePicture bubbles={bubbles} />
          </dd>
          <dd>{say(fact(`seen-hose-${bubbles}`, { colour: fact(`seen-${colour}`) }))}</dd>
        </div>
        <div>
          <dt className="text-quiet">Foot</dt>
          <dd className="text-2xl font-extrabold tabular-nums">{show('length', Math.round(pedalMm))}</dd>
          <dd>down</dd>
        </div>
        {reservoirs.map(({ id, levelMl, minMl, maxMl }) => (
          <Level key={id} levelMl={levelMl} minMl={minMl} maxMl={maxMl} />
        ))}
      </dl>
      {speed > 1 && <p className="text-quiet">Fluid runs {speed} times as fast as in a workshop.</p>}
      {what && (
        <details>
          <summary className="min-h-12 cursor-pointer content-center font-bold">What was it?</summary>
          <p>{say(what)}</p>
          <Looks looks={seen.looks} />
        </details>
      )}
    </section>
  )
}

/** What was there to be seen, beside what was written down. */
function Looks({ looks }: { looks: Seen['looks'] }) {
  const show = useShow()
  const say = useSay()
  if (looks.length === 0) return <p className="text-quiet">Nothing was looked at yet.</p>
  const told = ({ ml, colour, bubbles }: Seen['looks'][number]['shown']) =>
    `${show('volume', Math.round(ml * 10) / 10)}, ${say(fact(`seen-hose-${bubbles}`, { colour: fact(`seen-${colour}`) }))}`
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-left">
        <thead>
          <tr>
            <th scope="col">At</th>
            <th scope="col">It showed</th>
            <th scope="col">You wrote</th>
          </tr>
        </thead>
        <tbody>
          {looks.slice(-MOST_LOOKS).map(({ n, point, shown, wrote }) => (
            <tr key={n} className="border-t border-rule align-top">
              <th scope="row">{point}</th>
              <td>{told(shown)}</td>
              <td>{told(wrote)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

/** A reservoir from the side, with its two marks. */
function Level({ levelMl, minMl, maxMl }: { levelMl: number; minMl: number; maxMl: number }) {
  const show = useShow()
  const top = 1.2 * maxMl
  const y = (ml: number) => 66 - 60 * Math.min(1, Math.max(0, ml / top))
  return (
    <div>
      <dt className="text-quiet">Reservoir</dt>
      <dd className="flex items-center gap-3">
        <svg viewBox="0 0 84 70" className="h-20 w-24 flex-none" aria-hidden="true">
          <rect x="6" y={y(levelMl)} width="46" height={66 - y(levelMl)} className="fill-rule" />
          <path d="M6 4 V66 H52 V4" fill="none" className="stroke-ink" strokeWidth="3.5" />
          <path d={`M44 ${y(maxMl)} H60 M44 ${y(minMl)} H60`} className="stroke-oxide" strokeWidth="3" />
          <text x="62" y={y(maxMl) + 4} className="fill-ink text-[10px] font-bold">
            MAX
          </text>
          <text x="62" y={y(minMl) + 4} className="fill-ink text-[10px] font-bold">
            MIN
          </text>
        </svg>
        <span className="font-bold tabular-nums">
          {levelMl < minMl ? 'below MIN' : show('volume', Math.round(levelMl))}
        </span>
      </dd>
    </div>
  )
}

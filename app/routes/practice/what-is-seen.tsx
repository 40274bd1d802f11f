import { HosePicture, Swatch } from '~/components/swatch'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { Panel } from '~/ui/panel'
import { fact } from '~core/base/decision'
import type { Seen } from '~core/job/practice-vehicle'

/** What the simulated vehicle shows: bottle, hose, level and foot. What to make of it is the trainee's. */
export function WhatIsSeen({ seen }: { seen: Seen }) {
  const show = useShow()
  const say = useSay()
  const { bottleMl, sinceMl, colour, bubbles, reservoirs, pedalMm, speed } = seen
  return (
    <Panel title="What you see and feel" className="grid gap-4">
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
    </Panel>
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

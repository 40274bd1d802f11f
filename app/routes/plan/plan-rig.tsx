import * as Comlink from 'comlink'
import { useEffect, useState } from 'react'
import type { PlanRig as Worked } from '~/client/workers/plan-rig'
import { useSay } from '~/lib/say'
import { Panel } from '~/ui/panel'
import { type Fact, fact } from '~core/base/decision'
import type { OnRig } from '~core/plan/on-rig'
import type { PlanRequest } from '~core/plan/request'
import { partsOf } from '~core/vehicle/parts'

/** Without a change for this long, somebody looks. */
const PAUSE_MS = 600

type State = { at: 'running' } | { at: 'done'; rig?: OnRig } | { at: 'failed' }

/** What the plan comes to on the simulated vehicle: one quiet line, and a loud one where it misses. */
export function PlanRig({ request, targetPct }: { request: PlanRequest; targetPct?: number }) {
  const [state, setState] = useState<State>({ at: 'running' })
  const key = JSON.stringify(request)
  useEffect(() => {
    let worker: Worker | undefined
    setState({ at: 'running' })
    const pause = setTimeout(() => {
      worker = new Worker(new URL('../../client/workers/plan-rig.ts', import.meta.url), { type: 'module' })
      Comlink.wrap<Worked>(worker)
        .run(JSON.parse(key))
        .then(
          (rig) => setState({ at: 'done', rig }),
          () => setState({ at: 'failed' }),
        )
    }, PAUSE_MS)
    return () => {
      clearTimeout(pause)
      worker?.terminate()
    }
  }, [key])
  // As high while it runs as when it is done: what stands beside it must not move under a finger.
  return (
    <Panel
      title="On the simulated vehicle"
      className="grid min-h-44 content-start gap-3 print:hidden"
      aria-live="polite"
    >
      {state.at === 'running' && <p className="text-quiet">The plan is worked through…</p>}
      {state.at === 'failed' && (
        <p className="fault">This browser could not run it: the plan stands by itself.</p>
      )}
      {state.at === 'done' && !state.rig && <p>There is nothing to run.</p>}
      {state.at === 'done' && state.rig && <Ran rig={state.rig} request={request} targetPct={targetPct} />}
    </Panel>
  )
}

/** Fluid that runs so much longer than planned is worth a word. */
const SLOWER = 1.5
/** A pedal that gained less than this feels the same, mm. */
const FELT_MM = 3

/** What a technician would have seen and felt. */
function seen({ leastMl, pedalMm, flow }: OnRig, { vehicle }: PlanRequest): Fact[] {
  return [
    ...partsOf(vehicle, 'reservoir').flatMap(({ id, minMl }) =>
      leastMl[id] === undefined
        ? []
        : [fact('rig-least', { reservoir: id, leastMl: leastMl[id], minMl: Math.round(minMl) })],
    ),
    ...Object.entries(pedalMm).map(([cylinder, { before, after }]) =>
      before - after > FELT_MM
        ? fact('rig-pedal-better', { cylinder, beforeMm: Math.round(before), afterMm: Math.round(after) })
        : fact('rig-pedal', { cylinder, afterMm: Math.round(after) }),
    ),
    ...(flow && flow.minutes > SLOWER * flow.plannedMinutes
      ? [
          fact('rig-slower', {
            rigMin: Math.ceil(flow.minutes),
            planMin: Math.ceil(flow.plannedMinutes),
          }),
        ]
      : []),
  ]
}

function Ran({ rig, request, targetPct }: { rig: OnRig; request: PlanRequest; targetPct?: number }) {
  const say = useSay()
  const ends = Object.entries(rig.oldPct)
  const worst = Math.max(0, ...ends.map(([, pct]) => pct))
  const most = Math.max(worst, 1.5 * (targetPct ?? 0), 1)
  return (
    <>
      {rig.ok ? (
        <p>
          {targetPct === undefined
            ? 'Done as planned: no air left, never below its ports.'
            : `Done as planned, the worst last drops are ${worst.toFixed(1)} % old; no air left, never below its ports.`}
        </p>
      ) : (
        <ul
          aria-label="Where the simulated vehicle disagrees"
          className="grid gap-1 border-l-8 border-oxide bg-oxide-wash p-3 font-bold"
        >
          {rig.faults.map((fault) => (
            <li key={JSON.stringify(fault)}>{say(fault)}</li>
          ))}
        </ul>
      )}
      {targetPct !== undefined && (
        <>
          <ul className="grid gap-1">
            {ends.map(([id, pct]) => (
              <li key={id} className="grid grid-cols-[6rem_1fr_4.5rem] items-center gap-3">
                <span className="truncate font-semibold">{id}</span>
                <span className="relative h-5 border border-rule bg-enamel">
                  <span
                    className="absolute inset-y-1 left-0 bg-ink"
                    style={{ width: `${(100 * pct) / most}%` }}
                  />
                  <span
                    className="absolute inset-y-0 border-r-2 border-dashed border-oxide"
                    style={{ width: `${(100 * targetPct) / most}%` }}
                  />
                </span>
                <span className="text-right tabular-nums">{pct.toFixed(1)} %</span>
              </li>
            ))}
          </ul>
          <p className="text-sm text-quiet">
            Old share of what stands at each bleeder at the end; dashed: the target of {targetPct} %. Springs
            and stiffnesses are from memory.
          </p>
        </>
      )}
      <ul aria-label="What was seen and felt" className="grid gap-1">
        {seen(rig, request).map((each) => (
          <li key={JSON.stringify(each)}>{say(each)}</li>
        ))}
      </ul>
    </>
  )
}

import * as Comlink from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { PlanSampling } from '~/client/workers/plan-sampling'
import { showMinutes } from '~/lib/format'
import { useShow } from '~/lib/units'
import { Button } from '~/ui/button'
import { Panel } from '~/ui/panel'
import type { PlanRequest } from '~core/plan/request'
import { type PlanSpread as Spread, spreads } from '~core/plan/sampling'

const FEW = 4000
/** For whoever wants the last per cent; it takes a while, and can be stopped. */
const MANY = 400_000

/** Without a change for this long, somebody looks. */
const PAUSE_MS = 400

type State =
  | { at: 'waiting' }
  | { at: 'running'; taken: number }
  | { at: 'done'; spread?: Spread; stopped: boolean }
  | { at: 'failed' }

/** Fluid and minutes as they may turn out, sampled beside the page. */
export function PlanSpread({ request }: { request: PlanRequest }) {
  const show = useShow()
  const [state, setState] = useState<State>({ at: 'waiting' })
  const [samples, setSamples] = useState(FEW)
  const sampling = useRef<Comlink.Remote<PlanSampling>>(undefined)
  const key = JSON.stringify(request)

  useEffect(() => {
    let gone = false
    let worker: Worker | undefined
    function begin() {
      worker = new Worker(new URL('../../client/workers/plan-sampling.ts', import.meta.url), {
        type: 'module',
      })
      const remote = Comlink.wrap<PlanSampling>(worker)
      sampling.current = remote
      setState({ at: 'running', taken: 0 })
      worker.onerror = () => setState({ at: 'failed' })
      const watch = Comlink.proxy((taken: number) => {
        if (!gone) setState({ at: 'running', taken })
      })
      void remote.sample(JSON.parse(key), samples, watch).then(
        (spread) => {
          if (!gone)
            setState({ at: 'done', spread, stopped: spread !== undefined && spread.samples < samples })
        },
        () => setState({ at: 'failed' }),
      )
    }
    setState({ at: 'waiting' })
    // Whoever is still typing wants the plan, not its spread.
    const pause = setTimeout(begin, PAUSE_MS)
    return () => {
      gone = true
      clearTimeout(pause)
      worker?.terminate()
    }
  }, [key, samples])

  // As high while it samples as when it is done: what stands beside it must not move under a finger.
  return (
    <Panel
      title="How sure this is"
      className="grid min-h-84 content-start gap-3 [overflow-anchor:none] print:hidden"
    >
      {state.at === 'running' && (
        <div className="flex items-center gap-4">
          <progress
            className="h-4 grow accent-oxide"
            max={samples}
            value={state.taken}
            aria-label="Samples taken"
          />
          <span>
            {state.taken} of {samples} samples
          </span>
          <Button onClick={() => void sampling.current?.stop()}>Stop</Button>
        </div>
      )}
      {state.at === 'failed' && (
        <p className="fault">This browser could not sample it: the plan’s own figures stand.</p>
      )}
      {state.at === 'done' && state.spread && (
        <>
          <table className="w-full text-left">
            <thead>
              <tr className="text-quiet">
                <td />
                <th scope="col" className="font-normal">
                  in half of all cases
                </th>
                <th scope="col" className="font-normal">
                  in nine of ten
                </th>
              </tr>
            </thead>
            <tbody className="text-lg">
              <Row name="New fluid, at most" of={state.spread.totalMl} as={(ml) => show('volume', ml)} />
              <tr className="border-t border-rule">
                <th scope="row" className="py-1.5 font-semibold">
                  Open
                </th>
                {[state.spread.buyP50, state.spread.buyP90].map((buy, i) => (
                  <td key={i === 0 ? 'half' : 'nine'}>
                    {buy.map(({ ml, count }) => `${count} × ${show('volume', ml)}`).join(' + ') || 'nothing'}
                  </td>
                ))}
              </tr>
              <Row
                name="Time, at most"
                of={state.spread.minutes}
                as={(minutes) => `${showMinutes(minutes)} min`}
              />
              <Row
                name="Last drops if no more is pushed through"
                of={state.spread.worstOldPct}
                as={(pct) => `${pct < 10 ? pct.toFixed(1) : Math.round(pct)} % old`}
              />
            </tbody>
          </table>
          <p className="text-sm text-quiet">
            {state.stopped
              ? `Stopped after ${state.spread.samples} samples. `
              : `${state.spread.samples} samples. `}
            Not known and varied, from memory: each line’s length by {100 * spreads.lengthShare} %, what a
            brake holds by {100 * spreads.deadShare} %, work beside the flow {spreads.handling[0]} to{' '}
            {spreads.handling[2]} times its usual time, the bleeder’s hole {spreads.holeMm[0]} to{' '}
            {spreads.holeMm[2]} mm, a pull {100 * spreads.strokeShare[0]} to {100 * spreads.strokeShare[1]} %
            of its stroke, the fluid’s temperature by {show.apart('temperature', spreads.tempC)}.
          </p>
          <Button className="justify-self-start" onClick={() => setSamples(samples === FEW ? MANY : FEW)}>
            {samples === FEW ? `Take ${MANY} samples` : `Take ${FEW} samples again`}
          </Button>
        </>
      )}
      {state.at === 'done' && !state.spread && <p>Nothing is bled here, so nothing varies.</p>}
    </Panel>
  )
}

function Row({
  name,
  of,
  as,
}: {
  name: string
  of: { p50: number; p90: number }
  as: (value: number) => string
}) {
  return (
    <tr className="border-t border-rule">
      <th scope="row" className="py-1.5 font-semibold">
        {name}
      </th>
      <td>{as(of.p50)}</td>
      <td className="font-bold">{as(of.p90)}</td>
    </tr>
  )
}

import { fact } from '../../base/decision'
import { RESTRICTED_SHARE } from '../../physics/hydraulics/restriction'
import { compareSides, USUAL_FLOW_ERROR_PCT } from '../../physics/hydraulics/sides'
import { otherSide, routedBleederOf } from '../points'
import type { PointRun } from '../state'
import { expectedMlPerMin } from './driving'
import type { Finding, Seen, Watcher } from './watch'

/** Less fluid, or a shorter time, says nothing of a flow. @source from memory */
const LEAST_ML = 15
const LEAST_S = 15
/** No sound unit takes so much that less than this of what pipes alone would pass is left. @source from memory */
const NOTHING_SHARE = 0.1
/** So many pulls on each side before they are compared. @source from memory */
const LEAST_PULLS = 3

const checks = ['bleeder-clear', 'pressure-there', 'hose', 'return', 'line-squashed'].map((id) =>
  fact(`look-${id}`),
)

/** A wheel far below what its line predicts, or far below the other side of its axle. */
export const slowFlow: Watcher = (seen) => timed(seen) ?? pulled(seen)

/** What a bleeder was seen to pass, mL/min. Nothing in a time that should have brought twice the least is a flow too: none. */
export function flowOf({ timedMl = 0, timedS = 0 }: PointRun, expectedMlPerMin = 0): number | undefined {
  const shouldMl = (expectedMlPerMin * timedS) / 60
  if (timedS < LEAST_S || (timedMl < LEAST_ML && shouldMl < 2 * LEAST_ML)) return undefined
  return (timedMl / timedS) * 60
}

/** Left open while something drives it: against its own line, and beside the other wheel. */
function timed(seen: Seen): Finding | undefined {
  const { point, progress, stageRun, state } = seen
  const expected = expectedMlPerMin(seen, point)
  const mlPerMin = flowOf(progress, expected)
  if (mlPerMin === undefined || expected === undefined) return undefined
  const share = mlPerMin / expected
  const runs = { point, runsMlPerMin: mlPerMin, expectedMlPerMin: expected }
  const other = otherSide(state.vehicle, point)
  const otherFlow = other && stageRun.at[other] && flowOf(stageRun.at[other])
  const otherExpected = other && expectedMlPerMin(seen, other)
  if (other && otherFlow && otherExpected) {
    const sides = compareSides(
      { mlPerMin, expectedMlPerMin: expected },
      { mlPerMin: otherFlow, expectedMlPerMin: otherExpected },
    ).value
    if (sides.verdict === 'left-slow')
      return {
        ...fact('side-slow', { ...runs, other, otherPct: Math.round(100 * sides.rightShare) }),
        checks,
      }
    if (sides.verdict === 'alike') return undefined
  }
  // Passages inside a unit pass less than pipes alone predict: only sides tell there, and next to nothing at all.
  const least = behindUnit(seen) ? NOTHING_SHARE : RESTRICTED_SHARE
  // Only what stays below that with the watch's own error given away.
  if (share * (1 + USUAL_FLOW_ERROR_PCT / 100) >= least) return undefined
  return { ...fact('flow-slow', runs), leads: 'no-flow-one', checks }
}

/** Whether a unit's small passages stand on the way. */
export function behindUnit({ state: { vehicle }, point }: Seen): boolean {
  const units = new Set(vehicle.parts.flatMap(({ id, type }) => (type === 'control-unit' ? id : [])))
  return routedBleederOf(vehicle, point)?.route?.lines.some(({ to }) => units.has(to)) === true
}

/** Pulled by foot nobody knows the pressure, but both sides of an axle get the same foot. */
function pulled({ point, progress, stageRun, state, technique }: Seen): Finding | undefined {
  const other = otherSide(state.vehicle, point)
  const beside = other === undefined ? undefined : stageRun.at[other]
  const byFoot = technique.drives === 'foot' && technique.needsHelper === true
  if (!byFoot || !beside || seenPulls(progress) < LEAST_PULLS || seenPulls(beside) < LEAST_PULLS)
    return undefined
  const [mine, theirs] = [progress.ml / progress.counted, beside.ml / beside.counted]
  if (!(mine < RESTRICTED_SHARE * theirs)) return undefined
  return {
    ...fact('pulls-small', { point, pullMl: mine, other, otherMl: theirs }),
    leads: 'no-flow-one',
    checks,
  }
}

/** Pulls of which somebody wrote down what they brought. */
const seenPulls = ({ counted, unseen }: PointRun): number => counted - (unseen?.pulls ?? 0)

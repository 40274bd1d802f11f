import { type Decision, reason } from '../../base/decision'
import { RESTRICTED_SHARE } from './restriction'

/** One wheel of an axle: what its own line should pass, and what was caught. */
export type SideFlow = { expectedMlPerMin: number; mlPerMin: number }

/** What the two wheels of an axle say of each other. */
export type SidesVerdict =
  | 'alike'
  | 'not-below-half'
  | 'left-slow'
  | 'right-slow'
  | 'both-slow'
  | 'cannot-tell'

/** Catching fluid in a bottle by a watch: about a tenth either way. @source from memory */
export const USUAL_FLOW_ERROR_PCT = 10
/** Nearer to each other than this nobody calls them different. @source from memory */
const ALIKE_SHARE = 0.75
/** A bleeder wide open on a warm day passes no more than this of what its line predicts. @source from memory */
export const MOST_SHARE = 2

/**
 * Left against right: the two should run at the ratio of their own lines. Pressure, temperature and fluid are the same
 * for both and fall out, so the ratio is surer than either figure alone; where the measuring error leaves it open on
 * which side of a half it lies, the answer is "cannot tell".
 *
 * Behind a control unit its small passages count for both, nobody knows how much: there the two should run somewhere
 * between the ratio of their lines and one to one, what holds for both decides, and that both are low says nothing.
 *
 * @param errorPct of each measured flow, 0 to 50 %
 * @returns each side's flow as a share of what its line predicts
 * @source ratio of resistances; half of expected is common practice
 */
export function compareSides(
  left: SideFlow,
  right: SideFlow,
  { errorPct = USUAL_FLOW_ERROR_PCT, behindUnit = false } = {},
): Decision<{ verdict: SidesVerdict; leftShare: number; rightShare: number }> {
  const leftShare = left.mlPerMin / left.expectedMlPerMin
  const rightShare = right.mlPerMin / right.expectedMlPerMin
  const byLines = [leftShare, rightShare] as const
  const error = errorPct / 100
  const verdict = behindUnit
    ? both(ratio(byLines, error), ratio([left.mlPerMin, right.mlPerMin], error))
    : farBelow(byLines, error)
      ? 'both-slow'
      : ratio(byLines, error)
  return {
    value: { verdict, leftShare, rightShare },
    reasons: [
      reason(`sides-${verdict}`, verdict === 'cannot-tell' ? 'physics' : 'practice'),
      ...(behindUnit ? [reason('sides-behind-unit', 'practice')] : []),
    ],
  }
}

/** Both far below their lines: nothing between the two wheels, and nothing to compare them by. */
const farBelow = ([left, right]: readonly [number, number], error: number): boolean =>
  Math.max(left, right) * (1 + error) < RESTRICTED_SHARE

function ratio([left, right]: readonly [number, number], error: number): SidesVerdict {
  const [slow, fast] = left < right ? [left, right] : [right, left]
  if (slow * (1 + error) < RESTRICTED_SHARE * fast * (1 - error))
    return left < right ? 'left-slow' : 'right-slow'
  const atLeast = (share: number) => slow * (1 - error) >= share * fast * (1 + error)
  if (atLeast(ALIKE_SHARE)) return 'alike'
  return atLeast(RESTRICTED_SHARE) ? 'not-below-half' : 'cannot-tell'
}

/** What two ways to compare allow together. */
function both(a: SidesVerdict, b: SidesVerdict): SidesVerdict {
  if (a === b) return a
  const mild = (one: SidesVerdict) => one === 'alike' || one === 'not-below-half'
  return mild(a) && mild(b) ? 'not-below-half' : 'cannot-tell'
}

/** What the return says beside the flow outwards. */
export type ReturnVerdict = 'free' | 'one-way' | 'closed-inside' | 'at-the-outlet'

/**
 * The return, tested too: a hose may let fluid out and not back, and the wheel then drags.
 *
 * @param outwardShare measured flow over what it should be
 * @param freesAtOnce whether the wheel turns free as soon as the pedal is let go
 * @source common practice
 */
export function judgeReturn(outwardShare: number, freesAtOnce: boolean): Decision<ReturnVerdict> {
  const flows = outwardShare >= RESTRICTED_SHARE
  const value = flows ? (freesAtOnce ? 'free' : 'one-way') : freesAtOnce ? 'at-the-outlet' : 'closed-inside'
  return { value, reasons: [reason(`return-${value}`, 'practice')] }
}

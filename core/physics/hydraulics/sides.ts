import type { Decision, Reason } from '../../base/decision'
import { RESTRICTED_SHARE } from './restriction'

/** One wheel of an axle: what its own line should pass, and what was caught. */
export type SideFlow = { expectedMlPerMin: number; mlPerMin: number }

/** What the two wheels of an axle say of each other. */
export type SidesVerdict = 'alike' | 'left-slow' | 'right-slow' | 'both-slow' | 'cannot-tell'

/** Catching fluid in a bottle by a watch: about a tenth either way. @source from memory */
export const USUAL_FLOW_ERROR_PCT = 10

/**
 * Left against right: the two should run at the ratio of their own lines. Pressure, temperature and fluid are the same
 * for both and fall out, so the ratio is surer than either figure alone; where the measuring error leaves it open on
 * which side of a half it lies, the answer is "cannot tell".
 *
 * @param errorPct of each measured flow, 0 to 50 %
 * @returns `ratio` is left over right, each as a share of what its line predicts
 * @source ratio of resistances; half of expected is common practice
 */
export function compareSides(
  left: SideFlow,
  right: SideFlow,
  errorPct = USUAL_FLOW_ERROR_PCT,
): Decision<{ verdict: SidesVerdict; leftShare: number; rightShare: number }> {
  const leftShare = left.mlPerMin / left.expectedMlPerMin
  const rightShare = right.mlPerMin / right.expectedMlPerMin
  const verdict = judge(leftShare, rightShare, errorPct / 100)
  return { value: { verdict, leftShare, rightShare }, reasons: [says[verdict]] }
}

function judge(leftShare: number, rightShare: number, error: number): SidesVerdict {
  const [slow, fast] = leftShare < rightShare ? [leftShare, rightShare] : [rightShare, leftShare]
  // Both far below their lines: nothing between the two wheels, and nothing to compare them by.
  if (fast * (1 + error) < RESTRICTED_SHARE) return 'both-slow'
  if (slow * (1 + error) < RESTRICTED_SHARE * fast * (1 - error))
    return leftShare < rightShare ? 'left-slow' : 'right-slow'
  return slow * (1 - error) >= RESTRICTED_SHARE * fast * (1 + error) ? 'alike' : 'cannot-tell'
}

const slowText = (side: string) =>
  `The ${side} side runs at less than half of what its line predicts beside the other: a hose closed up inside, a blocked bleeder or a pinched line. Test its return too: the wheel must free itself at once.`

const says: Record<SidesVerdict, Reason> = {
  alike: {
    code: 'sides-alike',
    text: 'Both sides run at the ratio of their lines: no restriction between them.',
    basis: 'practice',
  },
  'left-slow': { code: 'side-slow', text: slowText('left'), basis: 'practice' },
  'right-slow': { code: 'side-slow', text: slowText('right'), basis: 'practice' },
  'both-slow': {
    code: 'sides-both-slow',
    text: 'Both run at less than half of what their lines predict: look upstream of them, at the pressure really there, cold fluid, or a cylinder or unit that does not let it through.',
    basis: 'practice',
  },
  'cannot-tell': {
    code: 'sides-cannot-tell',
    text: 'The measuring error leaves it open whether one side is below half: catch more fluid from each, for longer, and compare again.',
    basis: 'physics',
  },
}

/** What the return says beside the flow outwards. */
export type ReturnVerdict = 'free' | 'one-way' | 'closed-inside' | 'at-the-outlet'

/**
 * The return, tested too: a hose may let fluid out and not back, and the wheel then drags.
 *
 * @param outwardShare measured flow over what the line predicts
 * @param freesAtOnce whether the wheel turns free as soon as the pedal is let go
 * @source common practice
 */
export function judgeReturn(outwardShare: number, freesAtOnce: boolean): Decision<ReturnVerdict> {
  const flows = outwardShare >= RESTRICTED_SHARE
  const value = flows ? (freesAtOnce ? 'free' : 'one-way') : freesAtOnce ? 'at-the-outlet' : 'closed-inside'
  return { value, reasons: [{ code: `return-${value}`, text: returnTexts[value], basis: 'practice' }] }
}

const returnTexts: Record<ReturnVerdict, string> = {
  free: 'It flows and it frees: nothing in the way in either direction.',
  'one-way':
    'It flows out but the wheel does not free: crack the bleeder. Frees at once: the hose is a one-way flap, or the cylinder does not return. Does not: slide or piston is seized.',
  'closed-inside':
    'Little flows and the wheel does not free: the hose has closed up inside. Pressure still forces it, so it brakes, then drags.',
  'at-the-outlet':
    'Little flows and yet the wheel frees: look at the bleeder’s own hole and seat, then at the line.',
}

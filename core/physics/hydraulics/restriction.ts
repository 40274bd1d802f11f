import { ImpossibleInput } from '../../base/fault'
import { crossing } from '../../base/solve'
import { dropKPa, flowMlPerMin, type Liquid, laminarResistance } from './flow'
import type { TubeSegment } from './tube'

/** Below this share of what the line predicts, something is in the way. @source common practice */
export const RESTRICTED_SHARE = 0.5
/** Below this share nothing to speak of comes. @source from memory */
const BLOCKED_SHARE = 0.02

export type FlowVerdict = 'free' | 'restricted' | 'blocked'

/** What a share of the expected flow says. */
export const flowVerdict = (share: number): FlowVerdict =>
  share >= RESTRICTED_SHARE ? 'free' : share < BLOCKED_SHARE ? 'blocked' : 'restricted'

export type Restriction = {
  /** Bore left in the last piece over its whole length; at most its nominal one, 0 where nothing came. */
  effectiveBoreMm: number
  expectedMlPerMin: number
  verdict: FlowVerdict
}

/**
 * The bore left in the last piece of a line, from the flow that was measured: what the other pieces take is known and
 * comes off first, the rest is the suspect's. Half of a whole line's flow means 1.8 mm over a 0.4 m hose but 0.9 mm
 * over a 20 mm pinch: the length is an assumption and belongs beside the answer.
 *
 * @param segments in series, the suspected one last; without bleeder
 * @param pressureKPa what drives it, above 0
 * @throws ImpossibleInput with the field at fault
 * @source Hagen–Poiseuille solved for the bore, Blasius above laminar; half of expected is common practice
 */
export function restriction(
  input: { segments: readonly TubeSegment[]; pressureKPa: number; mlPerMin: number } & Liquid,
): Restriction {
  const { segments, pressureKPa, mlPerMin } = input
  const suspect = segments.at(-1)
  if (!suspect)
    throw new ImpossibleInput('segments', 'give at least one piece of line, the suspected one last')
  if (!(pressureKPa > 0)) throw new ImpossibleInput('pressureKPa', 'give a pressure above 0 kPa')
  if (!(mlPerMin >= 0)) throw new ImpossibleInput('mlPerMin', 'give a flow of 0 mL/min or more')
  const expectedMlPerMin = flowMlPerMin(segments, pressureKPa, input)
  return {
    effectiveBoreMm: boreLeftMm(segments.slice(0, -1), suspect, pressureKPa, mlPerMin, input),
    expectedMlPerMin,
    verdict: flowVerdict(mlPerMin / expectedMlPerMin),
  }
}

function boreLeftMm(
  rest: readonly TubeSegment[],
  suspect: TubeSegment,
  pressureKPa: number,
  mlPerMin: number,
  liquid: Liquid,
): number {
  if (mlPerMin === 0) return 0
  const leftKPa = pressureKPa - rest.reduce((sum, segment) => sum + dropKPa(segment, mlPerMin, liquid), 0)
  const takes = (boreMm: number) => dropKPa({ ...suspect, boreMm }, mlPerMin, liquid)
  if (leftKPa <= takes(suspect.boreMm)) return suspect.boreMm
  // Were it laminar, this bore would do; turbulence wants a wider one.
  const ofOneMm = laminarResistance([{ ...suspect, boreMm: 1 }], liquid)
  const laminarMm = ((ofOneMm * mlPerMin) / 60e6 / (leftKPa * 1000)) ** 0.25
  return crossing(takes, leftKPa, Math.min(laminarMm * 0.999, suspect.boreMm), suspect.boreMm)
}

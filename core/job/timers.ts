import { fact, type Notice } from '../base/decision'

/** The timer of a state of the call that is usually left alone a while; every other one bears its step’s or check’s id. */
export const CALL_TIMER = 'call'

/**
 * Why something that must be held is not yet held long enough; undefined where it is, or where nothing must be.
 *
 * @param holdS how long it must be held, in seconds
 * @param heldS how long it was, by the timer of the screen that started it
 */
export function tooSoon(holdS: number | undefined, heldS: number | undefined): Notice | undefined {
  if (holdS === undefined) return undefined
  if (heldS === undefined) return fact('not-timed', { holdS })
  return heldS < holdS ? fact('too-soon', { leftS: Math.ceil(holdS - heldS) }) : undefined
}

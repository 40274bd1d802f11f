import type { Notice } from '../base/decision'

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
  if (heldS === undefined)
    return { code: 'not-timed', text: `Start the timer first: it must be held for ${holdS} s.` }
  return heldS < holdS
    ? {
        code: 'too-soon',
        text: `Keep holding: ${Math.ceil(holdS - heldS)} s to go. If it sank, say that it failed.`,
      }
    : undefined
}

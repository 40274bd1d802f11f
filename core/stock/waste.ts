import { dayNumber, isoDate } from '../base/day'
import { type Fact, fact } from '../base/decision'
import { fluidOf } from '../fluid/specs'
import type { JobState } from '../job/state'

/** Used fluid is collected apart by kind: what was mixed must not spoil what can be taken back. */
export const wasteKindIds = ['glycol', 'silicone', 'mineral', 'mixed'] as const
export type WasteKind = (typeof wasteKindIds)[number]
export const wasteFact = (kind: WasteKind): Fact => fact(`waste-${kind}`)

/** Which drum a job's used fluid goes into: of a conversion, or of an unknown fluid, the one for mixtures. */
export function wasteKindOf({ vehicle, checkIn }: Pick<JobState, 'vehicle' | 'checkIn'>): WasteKind {
  const found = checkIn?.work.fluidFound
  if (found === 'unknown' || checkIn?.work.reason === 'conversion') return 'mixed'
  return fluidOf(found ?? vehicle.fluid.spec).base
}

/** Fewer amounts, or closer together, say nothing of how a drum fills. @source from memory */
const LEAST_DAYS = 30

/**
 * The day a drum is full at the rate it has filled since it was last empty.
 *
 * @param amounts since then, in order of date
 * @returns undefined where they are too few to say; today where it is full
 */
export function drumFullOn(
  amounts: readonly { on: string; ml: number }[],
  capacityMl: number,
  today: string,
): string | undefined {
  const inside = amounts.reduce((sum, { ml }) => sum + ml, 0)
  if (inside >= capacityMl) return today
  const first = amounts[0]
  if (!first) return undefined
  const days = dayNumber(today) - dayNumber(first.on)
  if (days < LEAST_DAYS || amounts.length < 2) return undefined
  return isoDate(dayNumber(today) + (capacityMl - inside) / (inside / days))
}

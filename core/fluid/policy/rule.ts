import type { Band } from '../../base/band'
import type { Basis, Fact } from '../../base/decision'
import type { VehicleKind } from '../../base/vehicle-kinds'
import type { BoilingPair } from '../../physics/moisture/boiling-point'
import type { DatedReading } from '../../physics/moisture/rise'
import type { Quantity } from '../../units/units'
import type { FluidSpec } from '../specs'
import type { HardUse } from './hard-use'

/** All that a rule may look at. */
export type Evidence = {
  spec: FluidSpec
  kind: VehicleKind
  /** Left out for a fluid that takes up no water. */
  pair?: BoilingPair
  /** Whether the pair is the product's own, from its data sheet. */
  ownPair: boolean
  /** Whether a sample has boiled. */
  boiled: boolean
  waterPct?: Band
  boilingC?: Band
  copperPpm?: Band
  /** Since the last exchange on record, or by what the customer said. */
  monthsSince?: number
  kmSince?: number
}

/** `unknown`: this rule has nothing to go by. */
export type Says = Fact & { verdict: 'keep' | 'watch' | 'replace' | 'unknown'; basis: Basis }

/** What a vehicle's fluid has been through, for the day a limit is reached. */
export type FluidHistory = {
  /** From here on it is foretold; a limit that was reached before counts as reached on this day. */
  today: string
  pair?: BoilingPair
  /** Since the last exchange, in order of date. */
  readings: readonly DatedReading[]
  exchangedOn?: string
  exchangedKm?: number
  /** Every odometer reading on record, in order of date. */
  odometer: readonly { date: string; km: number }[]
}

/** The day a limit is reached, as a range. `given`: by the calendar alone. */
export type Due = {
  earliest: string
  likely: string
  latest: string
  basis: 'fitted' | 'default' | 'given'
  says: Fact
  /** Water fell up to this reading, and is counted from there: somebody exchanged it and wrote nothing down. */
  fellOn?: string
}

/** One school of when fluid is replaced: a limit, what it says of the evidence, and when it will be reached. */
export type Rule = {
  /** What the limit is a number of. */
  unit: string
  quantity?: Quantity
  /** The limit most shops have. */
  usual: number
  min: number
  max: number
  basis: Basis
  /** The limit in words: "3 % water". */
  words(limit: number): Fact
  /** What hard use makes of the limit. */
  harder(limit: number, use: HardUse): number
  judge(limit: number, evidence: Evidence): Says
  /** Undefined where it cannot be foretold. */
  due(limit: number, history: FluidHistory): Due | undefined
}

/** More readings can only come to the same verdict or a stricter one as this grows. */
export const strictness = { unknown: 0, keep: 1, watch: 2, replace: 3 } as const

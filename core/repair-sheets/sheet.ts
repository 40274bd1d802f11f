import { z } from 'zod'
import type { Fact } from '../base/decision'
import { factSchema, factWith, reasonSchema } from '../base/fact-schema'
import type { Quantity } from '../units/units'
import type { Vehicle } from '../vehicle/schema'

/** What is looked at or measured on one part. */
export type SheetField = {
  id: string
  label: Fact
  /** The verdict does without it: it belongs to what comes after the work, or only adds to the figures. */
  optional?: true
} & (
  | { kind: 'amount'; quantity: Quantity; initial?: number }
  /** Money of the shop, minutes, years: a number whose unit its label says. */
  | { kind: 'number'; initial?: number }
  /** `check`: the look of the search for a fault that may have answered it already. */
  | { kind: 'choice'; options: readonly string[]; check?: string }
  /** Something is left for so long: when that was begun, as an ISO time. */
  | { kind: 'clock'; waitS: number }
)

/** What was filled in, by field: amounts in metric. */
export type Filled = Readonly<Record<string, number | string>>

/** What is bought for it; `key` where the shop has a price of it, else it is a small thing that is only counted. */
const buySchema = factWith({ key: z.string().max(60).optional(), count: z.number().min(1).max(100) })
export type Buy = z.output<typeof buySchema>

/** What a sheet comes to: a decision with its reasons and figures, what is bought for it, and what is still to be seen. */
export const verdictSchema = z.object({
  value: z.string().max(60),
  reasons: z.array(reasonSchema).max(40),
  figures: z.array(factSchema).max(40),
  buy: z.array(buySchema).max(40),
  still: z.array(factSchema).max(40),
})
export type Verdict = z.output<typeof verdictSchema>

/** What a part is to a plan once this is decided. */
export type SheetWork = 'replaced' | 'opened' | 'none'

/** What hands and parts cost here. */
export type SheetPrices = { labourPerHour: number; parts: Readonly<Record<string, number>> }

/** What one sheet is filled in for: a part or a line of a vehicle. */
export type SheetPlace = { id: string; name: Fact }

/** A sheet for one kind of part: what is asked, and what is decided by it. A new one is one file and one line. */
export type RepairSheet = {
  id: string
  places: (vehicle: Vehicle) => readonly SheetPlace[]
  fields: (vehicle: Vehicle, at: string, prices: SheetPrices) => readonly SheetField[]
  /**
   * @returns undefined until enough is filled in
   * @throws {ImpossibleInput} where the figures cannot be, by the field's id
   */
  judge: (filled: Filled, vehicle: Vehicle, at: string) => Verdict | undefined
  /** What each decision is to a plan. */
  work: Readonly<Record<string, SheetWork>>
  /** Codes of cautions shown above it. */
  cautions: readonly string[]
  /** It is a line, drawn straight above the fields: where it begins and ends is tapped on it. */
  drawn?: true
  /** Other lines or parts that the same decision is for. */
  also?: (value: string, vehicle: Vehicle, at: string) => readonly string[]
  /** The vehicle as it is once this was done, where it is another one then. */
  changes?: (filled: Filled, vehicle: Vehicle, at: string) => Vehicle | undefined
}

/** What was filled in for a field, as a number or as a word. */
export const numberOf = (filled: Filled, id: string): number | undefined =>
  typeof filled[id] === 'number' ? filled[id] : undefined
export const wordOf = (filled: Filled, id: string): string | undefined =>
  typeof filled[id] === 'string' ? filled[id] : undefined

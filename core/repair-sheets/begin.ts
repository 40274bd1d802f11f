import type { Found } from '../diagnosis/request'
import { placeOfLine } from '../diagnosis/where'
import type { Vehicle } from '../vehicle/schema'
import { lineAt } from './lines'
import type { Filled, RepairSheet, SheetPrices, Verdict } from './sheet'

/** What a sheet begins with: usual figures, this shop's prices, and what the search for the fault has answered of this part. */
export function begunWith(
  sheet: RepairSheet,
  vehicle: Vehicle,
  at: string,
  { prices, found = [] }: { prices: SheetPrices; found?: readonly Found[] },
): Filled {
  const answered = (check: string | undefined, options: readonly string[]) =>
    found.find((each) => each.check === check && options.includes(each.result) && (each.at ?? at) === at)
      ?.result
  return Object.fromEntries(
    sheet.fields(vehicle, at, prices).flatMap((field) => {
      const value =
        field.kind === 'choice'
          ? answered(field.check, field.options)
          : field.kind === 'clock'
            ? undefined
            : field.initial
      return value === undefined ? [] : [[field.id, value]]
    }),
  )
}

/** What a plan is asked for once this is decided: what was opened, what replaced, by the names the planner knows. */
export function workOf(
  sheet: RepairSheet,
  { value }: Pick<Verdict, 'value'>,
  vehicle: Vehicle,
  at: string,
): { opened: string[]; replaced: string[] } {
  const work = sheet.work[value] ?? 'none'
  const none = { opened: [], replaced: [] }
  if (work === 'none') return none
  const planned = [at, ...(sheet.also?.(value, vehicle, at) ?? [])].map((id) => {
    const line = lineAt(vehicle, id)
    // A line that the planner knows by no name is opened where it ends.
    const known = line ? placeOfLine(line).planned : id
    return { known, replaced: work === 'replaced' && known === id }
  })
  return {
    opened: planned.flatMap(({ known, replaced }) => (replaced ? [] : [known])),
    replaced: planned.flatMap(({ known, replaced }) => (replaced ? [known] : [])),
  }
}

import { z } from 'zod'
import type { Fault } from '../base/fault'
import type { Vehicle } from '../vehicle/schema'
import { brake } from './brake'
import { cylinder } from './cylinder'
import { hose } from './hose'
import { line } from './line'
import type { Filled, RepairSheet, SheetField } from './sheet'

/** Sheets that lead from what is seen on a part to what is done with it. A new one is one file and one line here. */
export const repairSheets: readonly RepairSheet[] = [cylinder, brake, line, hose]
const byId = new Map(repairSheets.map((sheet) => [sheet.id, sheet]))

export const repairSheetOf = (id: string): RepairSheet | undefined => byId.get(id)

const instant = z.iso.datetime()
const noPrices = { labourPerHour: 0, parts: {} }
/** Nothing on these sheets is more in its own unit. */
const MOST = 1e6

/** What of a filled sheet cannot be: a part the vehicle does not have, a field the sheet does not have, a value it has not. */
export function sheetFaults(id: string, at: string, filled: Filled, vehicle: Vehicle): Fault[] {
  const sheet = repairSheetOf(id)
  if (!sheet)
    return [{ path: 'sheet', message: `give one of: ${repairSheets.map((each) => each.id).join(', ')}` }]
  if (!sheet.places(vehicle).some((place) => place.id === at))
    return [{ path: 'at', message: `there is no such part for this sheet: "${at}"` }]
  const fields = new Map(sheet.fields(vehicle, at, noPrices).map((field) => [field.id, field]))
  return Object.entries(filled).flatMap(([name, value]) => {
    const field = fields.get(name)
    const message = field ? wrongIn(field, value) : 'there is no such field on this sheet'
    return message === undefined ? [] : [{ path: `filled.${name}`, message }]
  })
}

function wrongIn(field: SheetField, value: number | string): string | undefined {
  if (field.kind === 'choice')
    return field.options.includes(String(value)) ? undefined : `give one of: ${field.options.join(', ')}`
  if (field.kind === 'clock') return instant.safeParse(value).success ? undefined : 'give a time'
  return typeof value === 'number' && value >= 0 && value <= MOST
    ? undefined
    : `give a number from 0 to ${MOST}`
}

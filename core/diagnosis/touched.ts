import type { Vehicle } from '../vehicle/schema'
import type { History } from './request'

/** What was done to a vehicle before, in the terms that causes ask for. */
export type Touched = {
  /** Opened or replaced, and not bled since. */
  unbled: boolean
  fullyBled: boolean
  ageYears?: number
  cylinder: { opened: boolean; replaced: boolean }
  unit: { opened: boolean; replaced: boolean }
  brake: { opened: boolean; replaced: boolean }
  line: { opened: boolean; replaced: boolean }
}

/** @param vehicle where none is known, ids say nothing of what they are */
export function touchedBy(history: History, vehicle: Vehicle | undefined): Touched {
  const types = new Map(vehicle?.parts.map(({ id, type }) => [id, type]))
  const has = (ids: readonly string[], type: string) => ids.some((id) => types.get(id) === type)
  const isLine = (id: string) => vehicle !== undefined && !types.has(id)
  const of = (type: string) => ({ opened: has(history.opened, type), replaced: has(history.replaced, type) })
  return {
    unbled: history.opened.length + history.replaced.length > 0 && history.bledSince === false,
    fullyBled: history.fullyBled === true,
    ageYears: history.ageYears,
    cylinder: of('master-cylinder'),
    unit: of('control-unit'),
    brake: of('wheel-brake'),
    line: { opened: history.opened.some(isLine), replaced: history.replaced.some(isLine) },
  }
}

import { z } from 'zod'
import { type Reason, reason } from '../base/decision'
import { cylinderMl } from '../physics/hydraulics/cylinder'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import { person } from './events/stamp'

const mm = z.number('give mm').min(0, 'give 0 mm or more').max(1000, 'give at most 1000 mm')

/** Three presses by hand and rule, no gauge: travel from rest to where it first resists, is firm, and is at its end. */
export const pedalShape = {
  biteMm: mm,
  firmMm: mm,
  bottomMm: mm,
  /** How far it sank in 30 s under a firm foot; left out where nobody held it. */
  sinkMm: mm.optional(),
}
export const pedalFeltSchema = z.object({
  ...pedalShape,
  at: z.string(),
  by: person.optional(),
  /** Whether the bleed was done by then. */
  bled: z.boolean(),
})
export type PedalFelt = z.output<typeof pedalFeltSchema>
export type PedalTravels = Pick<PedalFelt, 'biteMm' | 'firmMm' | 'bottomMm' | 'sinkMm'>

/** Travel by a rule beside the pedal is read to so much, so that two readings differ by chance this far. @source from memory */
const READ_MM = 2

/** Travel cannot be firm before it bites, nor at its end before it is firm. */
export const inOrder = ({ biteMm, firmMm, bottomMm }: PedalTravels): boolean =>
  biteMm <= firmMm && firmMm <= bottomMm

/** The soft zone: travel between where it first resists and where it is firm. */
export const softMm = ({ biteMm, firmMm }: PedalTravels): number => firmMm - biteMm

/** What that travel moves at the first brake cylinder, mL. @source geometry */
export function softMl(vehicle: Vehicle, felt: PedalTravels): number | undefined {
  const cylinder = partsOf(vehicle, 'master-cylinder').find(({ chambers }) =>
    chambers.some(({ serves }) => serves !== 'clutch'),
  )
  const bore = cylinder?.chambers.find(({ serves }) => serves !== 'clutch')?.boreMm
  return cylinder && bore !== undefined ? cylinderMl(bore, softMm(felt) / cylinder.pedalRatio) : undefined
}

/** What has changed from one to another, as far as a rule can tell. */
export function pedalChange(before: PedalTravels, after: PedalTravels): Reason[] {
  const by = (code: string, was: number, is: number): Reason[] =>
    Math.abs(is - was) < READ_MM
      ? [reason(`pedal-${code}-same`, 'default', { readMm: READ_MM })]
      : [reason(`pedal-${code}-${is < was ? 'less' : 'more'}`, 'practice', { wasMm: was, isMm: is })]
  return [
    ...by('soft', softMm(before), softMm(after)),
    ...by('bite', before.biteMm, after.biteMm),
    ...(before.sinkMm !== undefined && after.sinkMm !== undefined
      ? by('sink', before.sinkMm, after.sinkMm)
      : []),
  ]
}

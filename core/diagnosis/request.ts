import { z } from 'zod'
import type { Fault, Reading } from '../base/fault'
import { readWith } from '../base/zod-faults'
import { readVehicle } from '../vehicle/read-vehicle'
import { type Vehicle, vehicleSchema } from '../vehicle/schema'
import { causeOf, causes } from './causes'
import { checkOf, checks } from './checks'
import { complaintIds, isOfClutch } from './complaints'
import { traitsOf } from './traits'
import { partKeys } from './usual'
import { placeIds } from './where'

const id = z.string('give an id').min(1, 'give an id').max(200, 'give an id of at most 200 characters')
const ids = z.array(id, 'give a list of ids').max(400, 'give at most 400 ids').default([])
/** No part costs more in any money that is counted in whole pieces. */
export const mostMoney = 1e6
const money = z.number('give an amount').min(0, 'give 0 or more').max(mostMoney, `give at most ${mostMoney}`)
const yes = z.boolean('give true or false')

const checkIds = checks.map((check) => check.id)
const causeIds = causes.map((cause) => cause.id)
const foundSchema = z.object({
  check: z.enum(checkIds, `give one of: ${checkIds.join(', ')}`),
  result: z.string('give a result of that check'),
  at: id.optional(),
  /** How far the pedal moved where that was measured: it is kept with the answer, and changes no share. */
  travelMm: z.number('give mm').min(0, 'give 0 mm or more').max(1000, 'give at most 1000 mm').optional(),
})
/** What a check showed, and where. */
export type Found = z.output<typeof foundSchema>

export const historySchema = z.object({
  opened: ids,
  replaced: ids,
  ageYears: z.number('give years').min(0, 'give 0 or more').max(150, 'give at most 150').optional(),
  bledSince: yes.optional(),
  fullyBled: yes.optional(),
})
export type History = z.output<typeof historySchema>

export const costsSchema = z.object({
  labourPerHour: money.optional(),
  parts: z
    .strictObject(Object.fromEntries(partKeys.map((key) => [key, money.optional()])), {
      error: `give prices of: ${partKeys.join(', ')}`,
    })
    .prefault({}),
})
export type Costs = { labourPerHour?: number; parts: Partial<Record<(typeof partKeys)[number], number>> }

const bodySchema = z.object({
  format: z.literal('ruddy-siphon.diagnose-request', 'give "ruddy-siphon.diagnose-request"'),
  version: z.literal(1, 'give 1, the only version there is'),
  complaint: z.enum(complaintIds, `give one of: ${complaintIds.join(', ')}`),
  history: historySchema.prefault({}),
  found: z.array(foundSchema, 'give a list of what was found').max(100, 'give at most 100').default([]),
  /** Causes whose repair was done since, and the complaint is still there. */
  tried: z
    .array(z.enum(causeIds, `give causes: ${causeIds.join(', ')}`), 'give a list of causes')
    .max(60, 'give at most 60')
    .default([]),
  costs: costsSchema.prefault({}),
  /** What it was in the end in this shop's own cases of that complaint: how often, by cause. */
  own: z
    .partialRecord(
      z.enum(causeIds, `give causes: ${causeIds.join(', ')}`),
      z.int('give a count').min(0, 'give 0 or more').max(1e6, 'give at most 1000000'),
    )
    .optional(),
})
/** The whole shape as it is published. */
export const diagnoseRequestSchema = bodySchema.extend({ vehicle: vehicleSchema.optional() })
/** A vehicle that somebody complains of, and what is known of it. */
export type Case = Omit<z.output<typeof bodySchema>, 'format' | 'version' | 'costs'> & {
  vehicle?: Vehicle
  costs: Costs
}

/** Read a diagnose request: its shape, its vehicle, and that what was found could have been. */
export function readDiagnoseRequest(input: unknown): Reading<Case> {
  const body = readWith(bodySchema, input)
  const given = input !== null && typeof input === 'object' && 'vehicle' in input ? input.vehicle : undefined
  const vehicle = given === undefined ? undefined : readVehicle(given, 'vehicle')
  const faults = [...(body.ok ? [] : body.faults), ...(!vehicle || vehicle.ok ? [] : vehicle.faults)]
  if (!body.ok || (vehicle && !vehicle.ok)) return { ok: false, faults }
  const { format: _format, version: _version, ...rest } = body.value
  const value = { ...rest, costs: rest.costs as Costs, ...(vehicle && { vehicle: vehicle.value }) }
  const wrong = caseFaults(value)
  return wrong.length > 0 ? { ok: false, faults: wrong } : { ok: true, value }
}

/** What of a case cannot be: ids the vehicle does not have, results no check has, two results of one check. */
export function caseFaults({ vehicle, complaint, history, found, tried }: Case): Fault[] {
  const faults: Fault[] = []
  if (isOfClutch(complaint) && !traitsOf(vehicle).clutch)
    faults.push({ path: 'complaint', message: 'this vehicle has no clutch that fluid works' })
  const known = vehicle && placeIds(vehicle)
  const ask = (path: string, value: string) => {
    if (known && !known.has(value))
      faults.push({ path, message: `there is no part or line "${value}"; give ids of this vehicle` })
  }
  for (const field of ['opened', 'replaced'] as const)
    for (const [i, each] of history[field].entries()) ask(`history.${field}.${i}`, each)
  for (const [i, { check, result, at }] of found.entries()) {
    const of = checkOf(check)
    if (at !== undefined) ask(`found.${i}.at`, at)
    if (!of) faults.push({ path: `found.${i}.check`, message: `give one of: ${checkIds.join(', ')}` })
    else if (!of.results.includes(result))
      faults.push({ path: `found.${i}.result`, message: `give one of: ${of.results.join(', ')}` })
    else faults.push(...beside(found, i))
  }
  for (const [i, cause] of tried.entries())
    if (!causeOf(cause)) faults.push({ path: `tried.${i}`, message: `give causes: ${causeIds.join(', ')}` })
  return faults
}

/** A check has one result; of places several may be found, but none beside the result that says there is none. */
function beside(found: readonly Found[], i: number): Fault[] {
  const here = found[i]
  const check = here && checkOf(here.check)
  if (!here || !check) return []
  const before = found.slice(0, i).filter((each) => each.check === here.check)
  const [none] = check.results
  const clash = check.several
    ? before.find(({ result }) => result === here.result || result === none || here.result === none)
    : before[0]
  if (!clash) return []
  return [
    {
      path: `found.${i}.check`,
      message: `"${here.check}" was ${clash.result} already: give the present state, one result a check`,
    },
  ]
}

import { z } from 'zod'
import { fact, type Notice, type Params } from '../base/decision'
import type { Work } from '../plan/request'
import { codeStands, lampStands } from '../scan-tool/lines'
import { partFact, partsOf } from '../vehicle/parts'
import { type PartOf, positions } from '../vehicle/schema'
import { person, short } from './events/stamp'
import { stagesNow } from './selectors'
import type { JobState } from './state'

/** What was changed on a control unit, and what it says of itself before and after. */

/** How a trouble code stands. Only one that was cleared and stays away lets a vehicle go. */
export const codeStates = codeStands
const codeSchema = z.object({
  code: z.string('give a code').trim().min(1, 'give a code').max(20, 'give at most 20 characters'),
  says: z.string('give a text').trim().max(200, 'give at most 200 characters').default(''),
  is: z.enum(codeStates, `give one of: ${codeStates.join(', ')}`),
})
export type UnitCode = z.output<typeof codeSchema>

const kPa = z.number('give kPa').min(-1000, 'give −1000 kPa or more').max(60_000, 'give at most 60000 kPa')

/** What one wheel did while its own valves were worked: it, another one, or nothing. */
export const wheelsWorked = ['own', 'other', 'none'] as const
const atWheels = <T extends z.ZodType>(each: T) => z.partialRecord(z.enum(positions), each)

/** What a unit said of itself, through the tool or read aloud from its screen. */
export const unitReadingSchema = z.object({
  from: z.enum(['tool', 'aloud'], 'say where it comes from'),
  codes: z.array(codeSchema, 'give a list of codes').max(40, 'give at most 40 codes'),
  calibration: z.enum(['done', 'none-asked', 'failed'], 'say how the calibration went').optional(),
  /** Its pressure sensor with nobody on the pedal, then under a firm foot, and left beside right. */
  restKPa: kPa.optional(),
  pressedKPa: kPa.optional(),
  leftKPa: kPa.optional(),
  rightKPa: kPa.optional(),
  /** It has no such sensor. */
  noSensor: z.literal(true).optional(),
  volts: z.number('give volts').min(0, 'give 0 V or more').max(60, 'give at most 60 V').optional(),
  /** Its own number, and its lamp. */
  number: z.string().trim().max(200, 'give at most 200 characters').optional(),
  lamp: z.enum(lampStands, `give one of: ${lampStands.join(', ')}`).optional(),
  /** How far the pedal went under a firm foot. */
  pedalMm: z.number('give mm').min(0, 'give 0 mm or more').max(500, 'give at most 500 mm').optional(),
  /** What its wheel sensors read while the vehicle stood. */
  wheelsKmh: atWheels(z.number('give km/h').min(0).max(1000)).optional(),
  /** Each wheel whose own valves were worked by the tool: what that wheel did. */
  worked: atWheels(z.enum(wheelsWorked, `give one of: ${wheelsWorked.join(', ')}`)).optional(),
})
export type UnitReading = z.output<typeof unitReadingSchema>

/** What was fitted, against what came out. */
export const unitFittedSchema = z.object({
  oldNumber: short.min(1, 'give the number on the old one'),
  newNumber: short.min(1, 'give the number on the one that is fitted'),
  origin: z.enum(['new', 'used', 'repaired'], 'say whether it is new, used or repaired'),
  faces: z.enum(['clean', 'damaged'], 'say how its plug faces look'),
  /** Where the numbers differ: what the maker says of it. */
  makersWord: z.string().trim().max(500, 'give at most 500 characters').optional(),
})
export type UnitFitted = z.output<typeof unitFittedSchema>

/** When it was read: as it came in, once the bleed is done, once it was driven. */
export const readTimes = ['before', 'after', 'driven'] as const
export type ReadTime = (typeof readTimes)[number]

const stamped = { at: z.string(), by: person.optional() }
export const unitLedgerSchema = z.object({
  before: unitReadingSchema.extend(stamped).optional(),
  after: unitReadingSchema.extend(stamped).optional(),
  driven: unitReadingSchema.extend(stamped).optional(),
  fitted: unitFittedSchema.extend(stamped).optional(),
})
export type UnitLedger = z.output<typeof unitLedgerSchema>

/** At rest a sound sensor reads zero, as near as so much; a firm foot makes so much; sides differ by no more. @source from memory */
export const REST_KPA = 50
export const FIRM_KPA = 1000
export const SIDES_DIFFER_PCT = 10
/** A pedal that goes so much deeper than before the unit worked has air under it that came out of the unit. @source from memory */
export const PEDAL_DEEPER_MM = 3

type Job = Pick<JobState, 'vehicle'> &
  Partial<Pick<JobState, 'planned' | 'run' | 'units' | 'proofs'>> & {
    checkIn?: { work: Pick<Work, 'replaced' | 'opened'> }
  }

/** Whether a unit came in place of another on this job. */
const replaced = ({ checkIn }: Job, id: string): boolean => checkIn?.work.replaced.includes(id) === true

/** Units that this job worked: replaced, opened, or run through a routine. */
export function workedUnits(job: Job): PartOf<'control-unit'>[] {
  const routines = stagesNow(job).some(({ kind }) => kind === 'control-unit')
  return partsOf(job.vehicle, 'control-unit').filter(
    ({ id, routine }) =>
      replaced(job, id) || job.checkIn?.work.opened.includes(id) === true || (routines && routine !== 'none'),
  )
}

/** A part's number as two people write it: without spaces, dashes and capitals. */
const plain = (number: string) => number.toUpperCase().replaceAll(/[^\p{L}\p{N}]/gu, '')

/** What is said of one unit, by its name. */
const aboutUnit =
  ({ vehicle }: Job, id: string) =>
  (code: string, more: Params = {}): Notice => {
    const part = partsOf(vehicle, 'control-unit').find((each) => each.id === id)
    return fact(code, { unit: id, name: part ? partFact(part) : id, ...more })
  }

/** Why a replaced unit is not powered; undefined where it may be. @source common practice */
export function mayNotPower(job: Job): Notice | undefined {
  for (const { id } of partsOf(job.vehicle, 'control-unit')) {
    if (!replaced(job, id)) continue
    const fitted = job.units?.[id]?.fitted
    const about = aboutUnit(job, id)
    if (!fitted) return about('unit-not-identified')
    const { oldNumber, newNumber, makersWord, faces } = fitted
    if (faces !== 'clean') return about('unit-faces-damaged')
    if (plain(oldNumber) !== plain(newNumber) && !makersWord)
      return about('unit-numbers-differ', { old: oldNumber, new: newNumber })
  }
  return undefined
}

/** What a pressure sensor says that must not be; undefined where it is as it should be. @param asked it has to say something */
function pressureWrong(
  about: ReturnType<typeof aboutUnit>,
  { restKPa, pressedKPa, leftKPa, rightKPa, noSensor }: UnitReading,
  asked: boolean,
): Notice | undefined {
  if (noSensor) return undefined
  if (asked && (restKPa === undefined || pressedKPa === undefined)) return about('unit-pressure-unread')
  if (restKPa !== undefined && Math.abs(restKPa) > REST_KPA)
    return about('unit-pressure-not-zero', { restKPa, limitKPa: REST_KPA })
  if (pressedKPa !== undefined && pressedKPa - (restKPa ?? 0) < FIRM_KPA)
    return about('unit-pressure-flat', { pressedKPa, limitKPa: FIRM_KPA })
  if (leftKPa === undefined || rightKPa === undefined) return undefined
  const apart = Math.abs(leftKPa - rightKPa) / Math.max(1, Math.abs(leftKPa), Math.abs(rightKPa))
  return apart > SIDES_DIFFER_PCT / 100 ? about('unit-pressure-uneven', { leftKPa, rightKPa }) : undefined
}

/** A wheel that its own valves do not work, or that turns while it stands; undefined where all are as they should be. */
function wheelWrong(
  about: ReturnType<typeof aboutUnit>,
  { worked = {}, wheelsKmh = {} }: UnitReading,
): Notice | undefined {
  for (const position of positions) {
    const wheel = fact(position)
    if (worked[position] === 'other') return about('unit-wheels-crossed', { wheel })
    if (worked[position] === 'none') return about('unit-wheel-dead', { wheel })
    if ((wheelsKmh[position] ?? 0) > 0) return about('unit-wheel-turns', { wheel })
  }
  return undefined
}

/** Steps of the routine that calibrate something of a unit. */
const calibrates = (job: Job): boolean =>
  stagesNow(job).some(({ before, after }) =>
    [...before, ...after].some((step) => step.calibrates !== undefined),
  )

/**
 * What a reading says that must not be, or does not say; undefined where the unit is as it should be. After a drive only
 * what it says counts: the rest was proved before.
 */
export function readingWrong(
  job: Job,
  id: string,
  reading: UnitReading | undefined,
  when: ReadTime = 'after',
): Notice | undefined {
  const about = aboutUnit(job, id)
  if (!reading) return about('unit-not-read')
  const left = reading.codes.filter(({ is }) => is !== 'cleared')
  if (left.length > 0) return about('unit-codes-left', { codes: left.map(({ code }) => code) })
  const { number, calibration } = reading
  const fitted = job.units?.[id]?.fitted
  if (fitted && number && plain(number) !== plain(fitted.newNumber))
    return about('unit-says-other', { says: number, plate: fitted.newNumber })
  const asked = when !== 'driven' && (replaced(job, id) || calibrates(job))
  if (calibration === 'failed') return about('unit-calibration-failed')
  if (asked && calibration === undefined) return about('unit-not-calibrated')
  if (reading.lamp === 'on') return about('unit-lamp-on')
  return wheelWrong(about, reading) ?? pressureWrong(about, reading, when !== 'driven')
}

/**
 * Why the units of this job are not proved sound; undefined where they are.
 *
 * @param since the moment of the drive that what they say must be later than
 */
export function unitsNotSound(job: Job, since?: string): Notice | undefined {
  const gate = mayNotPower(job)
  if (gate) return gate
  for (const { id } of workedUnits(job)) {
    const { after, driven } = job.units?.[id] ?? {}
    const read = since !== undefined && driven && driven.at >= since
    const wrong = read ? readingWrong(job, id, driven, 'driven') : readingWrong(job, id, after)
    if (wrong) return wrong
    if (read && driven.lamp === undefined) return aboutUnit(job, id)('unit-lamp-unsaid')
    if (since !== undefined && !read && after && after.at < since)
      return aboutUnit(job, id)('unit-read-again')
  }
  return undefined
}

/** A pedal that went deeper once the unit had worked than before it had; undefined where none did, or nobody measured. */
export function pedalDeeper(job: Job): Notice | undefined {
  for (const { id } of workedUnits(job)) {
    const { after, driven } = job.units?.[id] ?? {}
    if (after?.pedalMm === undefined || driven?.pedalMm === undefined || driven.at < after.at) continue
    const mm = driven.pedalMm - after.pedalMm
    if (mm > PEDAL_DEEPER_MM)
      return aboutUnit(job, id)('unit-pedal-deeper', { travelMm: mm, limitMm: PEDAL_DEEPER_MM })
  }
  return undefined
}

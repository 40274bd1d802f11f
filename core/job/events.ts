import { z } from 'zod'
import type { Judgement } from '../fluid/judge'
import { fluidSpecSchema } from '../fluid/specs'
import { bubbleKinds, colours } from '../fluid/specs/colour'
import { productSchema, takenReadingSchema } from '../fluid/taken'
import type { Plan } from '../plan/answer'
import { readingSchema, shopSchema, workSchema } from '../plan/request'
import { callActs, callStates } from '../technique/calls'
import { techniqueIds } from '../technique/technique'
import { vehicleSchema } from '../vehicle/schema'
import { troubleSchema } from './troubles'

const short = z.string().max(200, 'give at most 200 characters')
const note = z.string().max(2000, 'give at most 2000 characters')
const ml = z.number('give mL').min(0, 'give 0 mL or more').max(20_000, 'give at most 20000 mL')

/** By the timer of the screen it was started on. */
const heldS = z.number('give seconds').min(0).max(86_400)

/** Who did it, by the name they had then: a record does not change when a person does. */
const person = z.object({ id: short.min(1), name: short.min(1) })
export type Person = z.output<typeof person>

/** Amounts by field as they were typed, with their unit, where that was not the metric one. */
const typed = z.record(z.string().max(40), z.string().max(60)).optional()

/** On every event: an id made where the act happened, so that sending it twice records it once, and that clock's time. */
const stamp = {
  id: z.string().regex(/^[A-Za-z0-9_-]{16,40}$/, 'give an id of 16 to 40 letters and digits'),
  at: z.iso.datetime('give a time as ISO 8601 in UTC'),
  by: person.optional(),
  /** Who was at the screen when it was sent, where that was somebody else. */
  sentBy: person.optional(),
  /** How long the screen kept it before it could be sent, by that screen's own clock; absent where it went at once. */
  waitedS: z.number('give seconds').min(0).max(1e8).optional(),
  typed,
}

const checkIn = z.object({
  work: workSchema,
  bay: short.optional(),
  odometerKm: z.number().min(0).max(5e6).optional(),
  typed,
  levelMl: ml.optional(),
  colour: z.enum(colours),
  note,
})
export type CheckIn = z.output<typeof checkIn>

const container = z.object({
  /** Of the shelf's own label, where it has one. */
  code: short.optional(),
  product: short.optional(),
  spec: fluidSpecSchema,
  batch: short,
  sizeMl: ml.optional(),
  openedOn: z.iso.date('give a date').optional(),
})
export type Container = z.output<typeof container>

/** What is added to a record once it is frozen. */
export const addendumSchema = z.object({
  ...stamp,
  type: z.literal('addendum'),
  text: note.min(1, 'say what is to be added'),
})

/** What happens at the desk; made by the server from a form. */
const deskEvents = [
  z.object({
    ...stamp,
    type: z.literal('job-opened'),
    vehicleId: short,
    plate: short,
    vehicle: vehicleSchema,
    comebackOf: short.optional(),
  }),
  z.object({ ...stamp, type: z.literal('checked-in'), checkIn }),
  z.object({
    ...stamp,
    type: z.literal('tested'),
    /** The one that plans are made with. */
    reading: readingSchema.optional(),
    tester: short,
    notTakenWhy: note.optional(),
    /** Every reading that was taken. */
    readings: z.array(takenReadingSchema).max(6, 'give at most 6 readings').optional(),
    product: productSchema.optional(),
    /** Of the shop: what boiled there is judged as at the sea. */
    heightM: z.number().min(-400).max(5000).optional(),
    /** What the shop's policy made of them on that day. */
    judged: z
      .custom<Judgement>((value) => typeof value === 'object' && value !== null && 'verdict' in value)
      .optional(),
  }),
  z.object({
    ...stamp,
    type: z.literal('planned'),
    shop: shopSchema,
    /** What was worked out on the Bench and carried in, each with the address that shows it again. */
    fromBench: z
      .array(z.object({ page: short, says: note, address: note }))
      .max(20)
      .optional(),
    plan: z.custom<Plan>((value) => typeof value === 'object' && value !== null && 'verdict' in value),
  }),
  z.object({
    ...stamp,
    type: z.literal('paper-entered'),
    /** When and by whom the bleed was done with the bay card in hand. */
    doneOn: z.iso.date('give a date'),
    doneBy: short.min(1, 'say who did it'),
    points: z
      .array(
        z.object({
          stage: z.int().min(0).max(50),
          point: short,
          ml,
          pulls: z.int('give a whole number').min(0, 'give 0 or more').max(999, 'give at most 999'),
          colour: z.enum(colours),
          bubbles: z.enum(bubbleKinds),
        }),
      )
      .max(400),
    inMl: ml,
    drawnMl: ml,
    spilledMl: ml,
    /** What it was poured from. */
    container: container.optional(),
    note,
  }),
  z.object({
    ...stamp,
    type: z.literal('vehicle-moved'),
    from: z.object({ vehicleId: short, plate: short, name: short }),
    vehicleId: short,
    plate: short,
    vehicle: vehicleSchema,
    why: note.min(1, 'say how it came about'),
  }),
  z.object({
    ...stamp,
    type: z.literal('filed'),
    /** `kept`: judged, and nothing was done. */
    outcome: z.enum(['fit', 'not-fit', 'declined', 'kept']),
    doneBy: short.min(1),
    /** Another person, who gave their own PIN; absent where nobody checked. */
    checkedBy: person.optional(),
    note,
    wasteMl: ml,
    nextDue: z.iso.date().optional(),
    /** Somebody set it otherwise than the shop's policy would. */
    nextDueByHand: z.boolean().optional(),
    /** What fitted, for whoever does this vehicle next. */
    fitted: z
      .object({
        spannersMm: z.record(short, z.number().positive().max(60)).optional(),
        capAdapter: short.optional(),
        benchThread: short.optional(),
      })
      .optional(),
  }),
  addendumSchema,
] as const

/** Where the person who acts saw the call; an act on what is no longer so is refused, not guessed at. */
const seen = z.object({
  point: short,
  call: z.enum(callStates),
  pulls: z.number().int().min(0),
  /** Which turn of the call that was: the same call after an undo is another one. */
  turn: z.number().int().min(0).optional(),
})

/** What happens at the vehicle; made in the browser and sent one by one. */
const floorEvents = [
  z.object({ ...stamp, type: z.literal('plate-confirmed') }),
  z.object({
    ...stamp,
    type: z.literal('step-done'),
    step: short,
    ml: ml.optional(),
    heldS: heldS.optional(),
  }),
  z.object({ ...stamp, type: z.literal('timer-started'), timer: short }),
  z.object({ ...stamp, type: z.literal('point-ready'), point: short }),
  z.object({ ...stamp, type: z.literal('call'), act: z.enum(callActs), seen }),
  z.object({
    ...stamp,
    type: z.literal('pull-seen'),
    ml,
    colour: z.enum(colours),
    bubbles: z.enum(bubbleKinds),
  }),
  z.object({ ...stamp, type: z.literal('bottle-emptied') }),
  /** By gravity: another bottle hung and its bleeder opened, while the others run on. */
  z.object({ ...stamp, type: z.literal('bottle-hung'), point: short }),
  z.object({ ...stamp, type: z.literal('bottle-watched'), point: short }),
  z.object({ ...stamp, type: z.literal('point-finished'), point: short }),
  z.object({ ...stamp, type: z.literal('topped-up'), reservoir: short, ml }),
  z.object({ ...stamp, type: z.literal('level-read'), reservoir: short, ml }),
  /** What stands in the machine's own tank, after it was filled or looked at. */
  z.object({ ...stamp, type: z.literal('tank-read'), ml }),
  z.object({ ...stamp, type: z.literal('container-opened'), container }),
  z.object({ ...stamp, type: z.literal('trouble'), trouble: troubleSchema }),
  z.object({
    ...stamp,
    type: z.literal('way-changed'),
    technique: z.enum(techniqueIds),
    /** Nobody sits in the cab any more. */
    alone: z.boolean(),
    why: note.min(1, 'say why'),
  }),
  z.object({
    ...stamp,
    type: z.literal('parked'),
    why: note.min(1, 'say why'),
    /** Points that stand open. */
    standsOpen: z.array(short).max(20),
    machineOn: z.boolean(),
    pedalPropped: z.boolean(),
    note,
  }),
  z.object({
    ...stamp,
    type: z.literal('resumed'),
    /** Whether everything stood as it was left. */
    asLeft: z.boolean(),
    pedalCameUp: z.boolean(),
    found: note,
  }),
  z.object({
    ...stamp,
    type: z.literal('check-proved'),
    check: short,
    value: z.number().optional(),
    passed: z.boolean(),
    heldS: heldS.optional(),
    note,
  }),
  z.object({ ...stamp, type: z.literal('undone'), event: short }),
  z.object({ ...stamp, type: z.literal('bleed-again'), why: note.min(1, 'say why') }),
] as const

export const floorEventSchema = z.discriminatedUnion('type', floorEvents)
export const jobEventSchema = z.discriminatedUnion('type', [...deskEvents, ...floorEvents])

/** One thing that happened on a job; never changed once recorded. */
export type JobEvent = z.output<typeof jobEventSchema>
export type FloorEvent = z.output<typeof floorEventSchema>
export type EventOf<T extends JobEvent['type']> = Extract<JobEvent, { type: T }>
/** An event before it has an id and a time. */
export type Unstamped<E> = E extends unknown ? Omit<E, 'id' | 'at'> : never

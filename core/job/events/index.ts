import { z } from 'zod'
import { type Fault, faultLine, type Reading } from '../../base/fault'
import { textFaults } from '../../base/plain-text'
import { faultsOf } from '../../base/zod-faults'
import type { JobState } from '../state'
import { addendum, addendumSchema } from './addendum'
import { bleedAgain, bleedAgainSchema } from './bleed-again'
import { bottleEmptied, bottleEmptiedSchema } from './bottle-emptied'
import { bottleHung, bottleHungSchema } from './bottle-hung'
import { bottleWatched, bottleWatchedSchema } from './bottle-watched'
import { bottleWeighed, bottleWeighedSchema } from './bottle-weighed'
import { call, callSchema } from './call'
import { checkProved, checkProvedSchema } from './check-proved'
import { checkedIn, checkedInSchema } from './checked-in'
import { containerOpened, containerOpenedSchema } from './container-opened'
import { drawnAgain, drawnAgainSchema } from './drawn-again'
import { faultLooked, faultLookedSchema } from './fault-looked'
import { filed, filedSchema } from './filed'
import { flowLooked, flowLookedSchema } from './flow-looked'
import { jobOpened, jobOpenedSchema } from './job-opened'
import { jointChecked, jointCheckedSchema } from './joint-checked'
import { jointShut, jointShutSchema } from './joint-shut'
import type { EventKind } from './kind'
import { levelRead, levelReadSchema } from './level-read'
import { lineDeclined, lineDeclinedSchema } from './line-declined'
import { paperEntered, paperEnteredSchema } from './paper-entered'
import { parked, parkedSchema } from './parked'
import { pedalFeltEvent, pedalFeltEventSchema } from './pedal-felt'
import { placeLooked, placeLookedSchema } from './place-looked'
import { planned, plannedSchema } from './planned'
import { plateConfirmed, plateConfirmedSchema } from './plate-confirmed'
import { pointFinished, pointFinishedSchema } from './point-finished'
import { pointReady, pointReadySchema } from './point-ready'
import { pullSeen, pullSeenSchema } from './pull-seen'
import { putAway, putAwaySchema } from './put-away'
import { putBack, putBackSchema } from './put-back'
import { resumed, resumedSchema } from './resumed'
import { sheetFilled, sheetFilledSchema } from './sheet-filled'
import { stepDone, stepDoneSchema } from './step-done'
import { takenOff, takenOffSchema } from './taken-off'
import { tankRead, tankReadSchema } from './tank-read'
import { tested, testedSchema } from './tested'
import { timerStarted, timerStartedSchema } from './timer-started'
import { toppedUp, toppedUpSchema } from './topped-up'
import { trouble, troubleEventSchema } from './trouble'
import { undone, undoneSchema } from './undone'
import { unitFitted, unitFittedEventSchema } from './unit-fitted'
import { unitRead, unitReadSchema } from './unit-read'
import { vehicleMoved, vehicleMovedSchema } from './vehicle-moved'
import { wayChanged, wayChangedSchema } from './way-changed'

export type { CheckIn } from './checked-in'
export { type Container, containerSchema } from './container'
export type { Person } from './stamp'
export { addendumSchema }

/** What happens at the desk; made by the server from a form. */
const deskSchemas = [
  jobOpenedSchema,
  checkedInSchema,
  testedSchema,
  plannedSchema,
  paperEnteredSchema,
  faultLookedSchema,
  sheetFilledSchema,
  lineDeclinedSchema,
  pedalFeltEventSchema,
  vehicleMovedSchema,
  filedSchema,
  addendumSchema,
] as const
/** What happens at the vehicle; made in the browser and sent one by one. */
const floorSchemas = [
  plateConfirmedSchema,
  stepDoneSchema,
  timerStartedSchema,
  pointReadySchema,
  callSchema,
  pullSeenSchema,
  flowLookedSchema,
  bottleEmptiedSchema,
  bottleHungSchema,
  bottleWatchedSchema,
  bottleWeighedSchema,
  pointFinishedSchema,
  toppedUpSchema,
  unitReadSchema,
  unitFittedEventSchema,
  levelReadSchema,
  drawnAgainSchema,
  putAwaySchema,
  jointShutSchema,
  jointCheckedSchema,
  takenOffSchema,
  putBackSchema,
  tankReadSchema,
  containerOpenedSchema,
  troubleEventSchema,
  wayChangedSchema,
  parkedSchema,
  resumedSchema,
  checkProvedSchema,
  placeLookedSchema,
  undoneSchema,
  bleedAgainSchema,
] as const

export const floorEventSchema = z.discriminatedUnion('type', floorSchemas)
/** Every event in the version that is written today. */
export const jobEventSchema = z.discriminatedUnion('type', [...deskSchemas, ...floorSchemas])

/** One thing that happened on a job; never changed once recorded. */
export type JobEvent = z.output<typeof jobEventSchema>
export type FloorEvent = z.output<typeof floorEventSchema>
export type EventOf<T extends JobEvent['type']> = Extract<JobEvent, { type: T }>
/** An event before it has an id and a time. */
export type Unstamped<E> = E extends unknown ? Omit<E, 'id' | 'at'> : never

const kinds: { [T in JobEvent['type']]: EventKind<EventOf<T>> } = {
  'job-opened': jobOpened,
  'checked-in': checkedIn,
  tested,
  planned,
  'paper-entered': paperEntered,
  'fault-looked': faultLooked,
  'sheet-filled': sheetFilled,
  'line-declined': lineDeclined,
  'pedal-felt': pedalFeltEvent,
  'vehicle-moved': vehicleMoved,
  filed,
  addendum,
  'plate-confirmed': plateConfirmed,
  'step-done': stepDone,
  'timer-started': timerStarted,
  'point-ready': pointReady,
  call,
  'pull-seen': pullSeen,
  'flow-looked': flowLooked,
  'bottle-emptied': bottleEmptied,
  'bottle-hung': bottleHung,
  'bottle-watched': bottleWatched,
  'bottle-weighed': bottleWeighed,
  'point-finished': pointFinished,
  'topped-up': toppedUp,
  'unit-read': unitRead,
  'unit-fitted': unitFitted,
  'level-read': levelRead,
  'drawn-again': drawnAgain,
  'put-away': putAway,
  'joint-shut': jointShut,
  'joint-checked': jointChecked,
  'taken-off': takenOff,
  'put-back': putBack,
  'tank-read': tankRead,
  'container-opened': containerOpened,
  trouble,
  'way-changed': wayChanged,
  parked,
  resumed,
  'check-proved': checkProved,
  'place-looked': placeLooked,
  undone,
  'bleed-again': bleedAgain,
}
const registry = new Map<string, EventKind>(Object.entries(kinds) as unknown as [string, EventKind][])

export const eventKindOf = (type: string): EventKind | undefined => registry.get(type)
/** The version in which an event of a type is written today, as an event bears it: the first is not said. */
export function versionOf(type: string): { v?: number } {
  const version = eventKindOf(type)?.version ?? 1
  return version > 1 ? { v: version } : {}
}
export const eventKinds = (): EventKind[] => [...registry.values()]

/** Add a type of event. @returns takes it out again */
export function registerEvent(kind: EventKind): () => void {
  registry.set(kind.type, kind)
  return () => registry.delete(kind.type)
}

/**
 * An event as it was stored, by whichever version, in the version of today.
 *
 * @param before the job just before it: an older version may have left out what its planner made of that
 */
export function readEvent(stored: unknown, before: JobState | undefined): Reading<JobEvent> {
  const body = stored as Record<string, unknown> | null
  const kind = typeof body === 'object' && body !== null ? eventKindOf(String(body.type)) : undefined
  if (!body || !kind) return { ok: false, faults: [{ path: 'type', message: 'give a type of event' }] }
  const from = typeof body.v === 'number' ? body.v : 1
  if (from > kind.version)
    return { ok: false, faults: [{ path: 'v', message: `give version ${kind.version} or older` }] }
  let event = body
  for (let v = from; v < kind.version; v++)
    event = { ...(kind.upcasts[v - 1]?.(event, before) ?? event), v: v + 1 }
  const read = kind.schema.safeParse(event)
  return read.success
    ? { ok: true, value: read.data as JobEvent }
    : { ok: false, faults: faultsOf(read.error) }
}

/** What a screen sends: an act at the vehicle, in whichever version its page was made for. */
export function readFloorEvent(sent: unknown, before: JobState): Reading<FloorEvent> {
  const noText = textFaults(sent)
  if (noText.length > 0) return { ok: false, faults: noText }
  const read = readEvent(sent, before)
  // Pages of the first releases wrote today's shape and no version.
  const plain = (sent as { v?: unknown } | null)?.v === undefined ? jobEventSchema.safeParse(sent) : undefined
  if (!plain?.success && !read.ok) return read
  const value = plain?.success ? plain.data : (read as { value: JobEvent }).value
  if (eventKindOf(value.type)?.madeAt === 'desk')
    return { ok: false, faults: [{ path: 'type', message: 'give an act at the vehicle' }] }
  return { ok: true, value: value as FloorEvent }
}

/** A log that cannot be read: at which event, and why. */
export class UnreadableLog extends Error {
  constructor(
    readonly eventId: string,
    readonly faults: readonly Fault[],
  ) {
    super(`event ${eventId} cannot be read: ${faults.map(faultLine).join('; ')}`)
  }
}

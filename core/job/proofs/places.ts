import { type Fact, fact } from '../../base/decision'
import { wheelsOff } from '../../plan/wheels-off'
import { partsOf } from '../../vehicle/parts'
import type { Vehicle } from '../../vehicle/schema'
import type { JobState } from '../state'
import type { ToProve } from './applies'
import type { ProofCheck } from './checks'

/** One thing that a proof looks at by itself: a wheel, or a pass of its nuts. */
export type PlaceToProve = {
  id: string
  says: Fact
  /** The part that it is at. */
  part: string
  /** What has to be good before it is begun: a second pass comes after all of the first. */
  after?: readonly string[]
}

/** That a place is as it should be, in a log. */
export const GOOD = 'good'

/** A wheel as somebody calls it: by where it stands, where nothing else stands there. */
function wheelFact(vehicle: Vehicle, id: string): Fact {
  const brakes = partsOf(vehicle, 'wheel-brake')
  const position = brakes.find((brake) => brake.id === id)?.position
  const alone = brakes.filter((brake) => brake.position === position).length === 1
  return alone && position ? fact('wheel-at', { position: fact(position) }) : fact('wheel-of', { id })
}

/** Every wheel that is braked. */
export const brakedWheels = ({ vehicle }: ToProve): PlaceToProve[] =>
  partsOf(vehicle, 'wheel-brake').map(({ id }) => ({ id, part: id, says: wheelFact(vehicle, id) }))

/** Nuts are drawn up in the star with the wheel off the ground, then to their torque with it on the ground. @source common practice */
const PASSES = ['snug', 'torque'] as const

/** Each pass of the nuts of each wheel that was off: all of them snug before one is torqued. */
export function nutPasses({ vehicle, checkIn }: ToProve): PlaceToProve[] {
  const wheels = wheelsOff(vehicle, checkIn?.work ?? {})
  const idOf = (wheel: string, pass: string) => `${wheel} ${pass}`
  const snug = wheels.map((wheel) => idOf(wheel, 'snug'))
  return PASSES.flatMap((pass) =>
    wheels.map((wheel) => ({
      id: idOf(wheel, pass),
      part: wheel,
      says: fact(`nuts-${pass}`, { wheel: wheelFact(vehicle, wheel) }),
      ...(pass === 'torque' && { after: snug }),
    })),
  )
}

type Looked = ToProve & Pick<JobState, 'placesLooked'>

/** How a place of a proof was found; undefined where nobody has looked since the last bleed. */
export const placeIs = ({ placesLooked }: Looked, check: string, place: string): string | undefined =>
  placesLooked?.[check]?.[place]

/** Places of a proof that are not good, or not looked at yet. */
export const placesLeft = (job: Looked, { id, places }: ProofCheck): PlaceToProve[] =>
  (places?.(job) ?? []).filter((place) => placeIs(job, id, place.id) !== GOOD)

/** What of a place’s earlier ones is not good yet, so that it is not begun. */
export const placesBefore = (job: Looked, check: ProofCheck, { after = [] }: PlaceToProve): PlaceToProve[] =>
  placesLeft(job, check).filter(({ id }) => after.includes(id))

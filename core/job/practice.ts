import { makePlan } from '../plan/plan'
import { shopSchema, workSchema } from '../plan/request'
import { techniqueOf } from '../technique'
import type { TechniqueId } from '../technique/technique'
import { examples } from '../vehicle/examples'
import { readVehicle } from '../vehicle/read-vehicle'
import type { Vehicle } from '../vehicle/schema'
import { applyEvent } from './apply'
import type { JobEvent, Unstamped } from './events'
import type { JobState } from './state'

/** Ways that are worth trying before somebody's foot depends on them. */
export const practiceWays = [
  'pump-and-hold',
  'press-through',
  'check-valve',
  'pressure',
  'vacuum',
  'gravity',
] as const satisfies readonly TechniqueId[]
export type PracticeWay = (typeof practiceWays)[number]

/** Vehicles of a kind each, from two bleeders to six, all made up. */
const NAMES = [
  'ferry-estate',
  'ferry-hand-compact',
  'school-minibus',
  'fire-tender',
  'courier-twin-disc',
] as const
const vehicleNamed = (name: string): Vehicle => {
  const read = readVehicle(structuredClone(examples[name]?.file))
  if (!read.ok) throw new Error(`the practice vehicle ${name} cannot be read`)
  return read.value
}
export const practiceVehicles: readonly { name: string; called: string }[] = NAMES.map((name) => ({
  name,
  called: (examples[name]?.file as { name?: string } | undefined)?.name ?? name,
}))

/** The one that an address asks for, else the first. */
export function practiceVehicle(asked: string | null): { name: string; vehicle: Vehicle } {
  const name = NAMES.find((each) => each === asked) ?? NAMES[0]
  return { name, vehicle: vehicleNamed(name) }
}

/** Ways by which this vehicle can be bled: what its plan refuses cannot be practised on it. */
export function practiceWaysOf(vehicle: Vehicle): [PracticeWay, ...PracticeWay[]] {
  const [first, ...more] = practiceWays.filter((way) => {
    const { shop, work } = practiceRequest(way)
    return makePlan({ vehicle, work, shop }).verdict === 'go'
  })
  if (first === undefined) throw new Error(`${vehicle.name} can be bled by no way that is practised`)
  return [first, ...more]
}

const practiceRequest = (way: PracticeWay) => ({
  shop: shopSchema.parse({ methods: [techniqueOf(way).method] }),
  work: workSchema.parse({ reason: 'service', ways: [{ technique: way, why: 'practice' }] }),
})

/** A job that never was: on a made-up vehicle, planned and ready for the first step. Nothing of it is recorded. */
export function practiceJob(vehicle: Vehicle, way: PracticeWay): JobState {
  const { shop, work } = practiceRequest(way)
  const begin: Unstamped<JobEvent>[] = [
    { type: 'job-opened', vehicleId: 'practice', plate: 'PRACTICE', vehicle },
    { type: 'checked-in', checkIn: { work, colour: 'brown', note: '', bay: 'Any bay' } },
    { type: 'tested', tester: '', notTakenWhy: 'practice' },
    { type: 'planned', shop, plan: makePlan({ vehicle, work, shop }) },
    { type: 'plate-confirmed' },
  ]
  let state: JobState | undefined
  for (const [i, made] of begin.entries()) {
    const event = { ...made, id: `practice-begins-${i}`, at: '2026-01-01T08:00:00.000Z' } as JobEvent
    const applied = applyEvent(state, event)
    if (!applied.ok) throw new Error(`practice cannot begin: ${applied.refusal.text}`)
    state = applied.state
  }
  if (!state) throw new Error('practice has a beginning')
  return state
}

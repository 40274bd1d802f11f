import { makePlan } from '../plan/plan'
import { shopSchema, workSchema } from '../plan/request'
import { techniqueOf } from '../technique'
import type { TechniqueId } from '../technique/technique'
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

/** A job that never was: on a made-up vehicle, planned and ready for the first step. Nothing of it is recorded. */
export function practiceJob(vehicle: Vehicle, way: PracticeWay): JobState {
  const { method } = techniqueOf(way)
  const shop = shopSchema.parse({ methods: [method] })
  const work = workSchema.parse({ reason: 'service', ways: [{ technique: way, why: 'practice' }] })
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

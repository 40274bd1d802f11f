import { z } from 'zod'
import { fact } from '../../base/decision'
import { factSchema } from '../../base/fact-schema'
import { planSchema, setupOf } from '../../plan/answer'
import { placesOfStage } from '../../plan/places'
import { shopSchema } from '../../plan/request'
import { decideScope } from '../../plan/scope/scope'
import { partsOf } from '../../vehicle/parts'
import type { Vehicle } from '../../vehicle/schema'
import { startStage } from '../change'
import { proofsVoid } from '../joints'
import { handsOn, readingDue } from '../selectors'
import type { JobState, Mend, RunState } from '../state'
import { fittedStep } from '../troubles/parts'
import type { CheckIn } from './checked-in'
import type { EventKind, Upcast } from './kind'
import { note, short, stamp } from './stamp'

/** What was worked out on a page of the Bench and carried in, with the address that shows it again. */
export const fromBenchSchema = z.object({ page: short, says: factSchema, address: note })

export const plannedSchema = z.object({
  ...stamp,
  type: z.literal('planned'),
  shop: shopSchema,
  fromBench: z.array(fromBenchSchema).max(20).optional(),
  plan: planSchema,
})
type Planned = z.output<typeof plannedSchema>

type OldStage = Parameters<typeof placesOfStage>[1]

type SaidBefore = { says: unknown; address: string }
/** What was carried from the Bench was a sentence once, under its page's name. */
export const benchSaid = (carried: readonly SaidBefore[]) =>
  carried.map(({ says, address }) => ({
    page: /^\/bench\/([\w-]+)/.exec(address)?.[1] ?? '',
    says: { code: 'as-recorded', text: String(says) },
    address,
  }))

/** Version 2 held it so. */
const withBenchSaid: Upcast = (old) => {
  const { fromBench } = old as { fromBench?: SaidBefore[] }
  return fromBench ? { ...old, fromBench: benchSaid(fromBench) } : old
}

/** Version 1 did not say where a stage is worked: that was decided anew from what was opened. */
const withPlaces: Upcast = (old, before) => {
  const { plan, shop } = old as { plan: { stages?: OldStage[] }; shop?: { scopeSchool?: 'local' | 'whole' } }
  if (!before?.checkIn) return old
  const { cylinderIds } = decideScope(before.vehicle, before.checkIn.work, shop?.scopeSchool ?? 'local').value
  const stages = (plan.stages ?? []).map((stage) => ({
    ...stage,
    points: placesOfStage(before.vehicle, stage, cylinderIds),
  }))
  return { ...old, plan: { ...plan, stages } }
}

/** The plan that was taken. It never changes; what the job does now belongs to its run. */
export const planned: EventKind<Planned> = {
  type: 'planned',
  schema: plannedSchema,
  version: 3,
  upcasts: [withPlaces, withBenchSaid],
  madeAt: 'desk',
  undo: false,
  refuse(state, { plan }) {
    if (!state.checkIn || readingDue(state)) return fact('not-tested')
    if (handsOn(state)) return fact('plan-under-work')
    return plan.verdict === 'stop' ? fact('plan-stopped') : undefined
  },
  apply(state, { id, shop, plan, fromBench }): JobState {
    const run: RunState = {
      plateConfirmed: false,
      stageIndex: 0,
      stages: plan.stages.map(startStage),
      setup: setupOf(plan),
      call: 'rest',
      lookDue: false,
      levelMl: levelsAtFirst(state.vehicle, state.checkIn),
      bottleMl: 0,
      mends: mendsOwed(state, id),
      timers: {},
    }
    return { ...state, ...proofsVoid(state), planned: { shop, plan, fromBench }, run }
  },
}

/** Bleeders that broke under a plan before this one are renewed under this. */
const mendsOwed = ({ standing }: JobState, eventId: string): Mend[] =>
  standing.broken.length === 0
    ? []
    : [
        {
          id: eventId,
          stepsDone: [],
          steps: standing.broken.map((point, i) =>
            fittedStep(eventId, point, fact('broken'), `renewed-${i}`),
          ),
        },
      ]

function levelsAtFirst(vehicle: Vehicle, checkIn: CheckIn | undefined): Record<string, number> {
  if (checkIn?.work.levelMl) return { ...checkIn.work.levelMl }
  const [first] = partsOf(vehicle, 'reservoir')
  return first && checkIn?.levelMl !== undefined ? { [first.id]: checkIn.levelMl } : {}
}

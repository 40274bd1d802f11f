import { type FluidSpec, fluidOf } from '../fluid/specs'
import type { Colour } from '../fluid/specs/colour'
import type { Plan, Stage } from '../plan/answer'
import { decideScope } from '../plan/scope/scope'
import { anythingStands } from './standing'
import type { JobState, Station } from './state'

/** What two places need to know of a job's state is asked here, and nowhere worked out anew. */

/** Whether hands are on the vehicle under the present plan. */
export const handsOn = ({ run }: Pick<JobState, 'run'>): boolean => run?.plateConfirmed === true

/** Whether anything was ever done to the vehicle on this job, under this plan or one before it. */
export const workBegun = (state: Pick<JobState, 'run' | 'earlier'>): boolean =>
  handsOn(state) || state.earlier.length > 0

/** Whether every stage before the proof is done, nothing is left to mend, and nothing stands open or set up. */
export const bleedDone = (state: Pick<JobState, 'run' | 'standing'>): boolean => {
  const { run } = state
  const atProof = run?.stages[run.stageIndex]?.stage.kind === 'prove' && run.mends.length === 0
  return atProof && !anythingStands(state)
}

/**
 * Whether the fluid's reading is still asked for. A repair that opened one corner can do without: nothing there is
 * decided by the age of the fluid.
 */
export function readingDue({
  tested,
  checkIn,
  vehicle,
}: Pick<JobState, 'tested' | 'checkIn' | 'vehicle'>): boolean {
  if (tested || !checkIn) return !tested
  return checkIn.work.reason !== 'repair' || decideScope(vehicle, checkIn.work, 'local').value.whole
}

/** Where the job is: the first station that still has something to do. */
export function stationOf(state: JobState): Station {
  if (!state.checkIn) return 'check-in'
  if (readingDue(state)) return 'test'
  if (!state.run) return 'plan'
  if (!bleedDone(state)) return 'bleed'
  return state.filed ? 'file' : 'prove'
}

type Fluids = Pick<JobState, 'vehicle' | 'checkIn' | 'planned'>

/** The fluid that goes in: as planned, as asked for at check in, or as the vehicle calls for. */
export const fluidIn = ({ planned, checkIn, vehicle }: Fluids): FluidSpec =>
  planned?.plan.fluid.spec ?? checkIn?.work.fluidUsed ?? vehicle.fluid.spec

/** Every kind that may be poured here: the one that goes in, the vehicle's own, and what its maker allows. */
export function mayGoIn(state: Fluids): FluidSpec[] {
  const { spec, alsoAllowed } = state.vehicle.fluid
  return [...new Set([fluidIn(state), spec, ...alsoAllowed])]
}

/** Whether what came out looks like what is poured in: glycol fluid is amber when it is new. */
export const looksNew = (state: Fluids, colour: Colour): boolean =>
  fluidOf(fluidIn(state)).newColours.includes(colour)

/** The stages as they are now: the run's, with what was put in or changed on the way. */
export const stagesNow = ({ run, planned }: Partial<Pick<JobState, 'run' | 'planned'>>): Stage[] =>
  run?.stages.map(({ stage, points }) => (stage.points === points ? stage : { ...stage, points })) ??
  planned?.plan.stages ??
  []

/**
 * The plan as it is being done: what was taken, with the stages, settings, cautions and reasons of now. Map, card,
 * exports and record read this one; the plan that was taken stays as it was taken.
 */
export function planNow(state: Pick<JobState, 'run' | 'planned'>): Plan | undefined {
  const { run, planned } = state
  if (!planned) return undefined
  if (!run) return planned.plan
  const { fluid } = planned.plan
  const perBleederMl = { ...fluid.perBleederMl, ...run.amounts }
  const totalMl = fluid.totalMl + moreThanPlannedMl(state)
  return {
    ...planned.plan,
    ...run.setup,
    fluid: { ...fluid, totalMl, perBleederMl },
    stages: stagesNow(state),
  }
}

/** How much more or less than planned has to leave the bleeders, after a draw that went another way than planned. */
export const moreThanPlannedMl = ({ run, planned }: Pick<JobState, 'run' | 'planned'>): number =>
  Object.entries(run?.amounts ?? {}).reduce(
    (sum, [id, ml]) => sum + ml - (planned?.plan.fluid.perBleederMl[id] ?? 0),
    0,
  )

/** Places of this job that are still to be done, by stage: what the bay card has a line for. */
export function pointsOnPaper({ run }: Pick<JobState, 'run'>): { stage: number; point: string }[] {
  return (run?.stages ?? []).flatMap(({ points, at, stage }, i) =>
    stage.kind === 'prove'
      ? []
      : points.filter((id) => !at[id]?.finished).map((point) => ({ stage: i, point })),
  )
}

import { z } from 'zod'
import { type Fact, fact } from '../base/decision'
import type { CabCall } from '../technique/calls'
import { awayStep, setsUp, standingThings, takesAway } from '../technique/standing'
import type { Step } from '../technique/step'
import { currentStage, openPoints } from './points'
import type { JobState, RunState, StageRunState } from './state'

/** A joint that stands open outside any call: named so when the job was parked, or broken. */
export type OpenJoint = { point: string; how: 'named' | 'broken' }

/**
 * What stands on the vehicle, whatever the plan says: it outlives stages, plans and moves of the job, and nothing
 * leaves it but by its own act.
 */
export type Standing = {
  /** Set up and not taken away, the newest last. */
  up: readonly string[]
  open: readonly OpenJoint[]
  /** Bleeders that broke and are not renewed yet, shut or not. */
  broken: readonly string[]
}
const ids = z.array(z.string().max(200)).max(400).readonly()
export const standingSchema: z.ZodType<Standing> = z.object({
  up: ids,
  open: z
    .array(z.object({ point: z.string().max(200), how: z.enum(['named', 'broken']) }))
    .max(400)
    .readonly(),
  broken: ids,
})
export const nothingStands: Standing = { up: [], open: [], broken: [] }

type Stands = Pick<JobState, 'standing'>
type Running = Stands & { run: RunState }

export const standsUp = ({ standing }: Stands, thing: string): boolean => standing.up.includes(thing)

/** With something set up; once is enough. */
export const withUp = (standing: Standing, thing: string | undefined): Standing =>
  thing === undefined || standing.up.includes(thing) ? standing : { ...standing, up: [...standing.up, thing] }

/** Without something that was set up. */
export const withAway = (standing: Standing, thing: string | undefined): Standing =>
  thing === undefined || !standing.up.includes(thing)
    ? standing
    : { ...standing, up: standing.up.filter((each) => each !== thing) }

/** With a joint that stands open; broken says more than named. */
export function withOpen(standing: Standing, point: string, how: OpenJoint['how']): Standing {
  const others = standing.open.filter((each) => each.point !== point)
  return { ...standing, open: [...others, { point, how }] }
}

/** With a joint shut. */
export const withShut = (standing: Standing, point: string | undefined): Standing =>
  standing.open.some((each) => each.point === point)
    ? { ...standing, open: standing.open.filter((each) => each.point !== point) }
    : standing

/** With a bleeder that broke: open until somebody says that it is shut, and broken until it is renewed. */
export const withBroken = (standing: Standing, point: string): Standing => ({
  ...withOpen(standing, point, 'broken'),
  broken: standing.broken.includes(point) ? standing.broken : [...standing.broken, point],
})

/** The broken bleeder that a step renews, which shuts it too; undefined where it renews none. */
export const renews = ({ shuts, code, params }: Step): string | undefined =>
  // Steps that were recorded before they said so name it in their words alone.
  shuts ?? (code === 'bleeder-fitted' && typeof params?.point === 'string' ? params.point : undefined)

/** What a step leaves standing once it is done. */
export function afterStep(standing: Standing, step: Step): Standing {
  const renewed = renews(step)
  const shut = renewed === undefined ? standing : withShut(standing, renewed)
  const sound = shut.broken.includes(renewed ?? '')
    ? { ...shut, broken: shut.broken.filter((each) => each !== renewed) }
    : shut
  return withUp(withAway(sound, takesAway(step)), setsUp(step))
}

/** Every joint that is open: in the call, under bottles that run, left so, or broken. */
export const allOpen = ({ run, standing }: Stands & Pick<JobState, 'run'>): string[] => [
  ...new Set([...(run ? openPoints(run) : []), ...standing.open.map(({ point }) => point)]),
]

/** A joint that stands open somewhere else than at a place; undefined where none does. */
export const openElsewhere = ({ standing }: Stands, point?: string): OpenJoint | undefined =>
  standing.open.find((each) => each.point !== point)

/** Whether anything is still set up or open. */
export const anythingStands = (state: Stands & Pick<JobState, 'run'>): boolean =>
  state.standing.up.length + state.standing.broken.length > 0 || allOpen(state).length > 0

/** What the cab is told: never to let go while a joint stands open, whatever call is under way. */
export const cabWord = ({ standing }: Stands, word: CabCall): CabCall =>
  word === 'release' && standing.open.length > 0 ? 'hold' : word

/** All that stands, for a line that is always there: what is open first, then what is broken, then what is set up. */
export function standingFacts(state: Stands & Pick<JobState, 'run'>): Fact[] {
  const { up, broken } = state.standing
  const open = allOpen(state)
  // An adapter under pressure needs no second line.
  const told = up.filter((thing) => !(thing === 'adapter' && up.includes('pressure')))
  return [
    ...open.map((point) => fact('standing-open', { point })),
    ...broken.filter((point) => !open.includes(point)).map((point) => fact('standing-broken', { point })),
    ...told.map((thing) => fact(`standing-${thing}`)),
  ]
}

const owns = ({ stage }: StageRunState, thing: string): boolean =>
  stage.before.some((step) => setsUp(step) === thing)

/**
 * What has to be taken away before anything else is done: a machine's pressure or a prop in work that did not set it
 * up, or under a mend; at the proof everything that still stands. The newest first.
 */
export function dueAway({ run, standing }: Running): Step | undefined {
  const stageRun = currentStage(run)
  if (!stageRun || standing.up.length === 0) return undefined
  const atProof = stageRun.stage.kind === 'prove'
  const mend = nextMend({ run, standing })?.step
  // A mend that takes something away itself waits only for what was put on after it: pressure before its adapter.
  const taken = mend && takesAway(mend)
  const after = taken === undefined ? standing.up : standing.up.slice(standing.up.indexOf(taken) + 1)
  if (taken !== undefined && !standing.up.includes(taken)) return undefined
  const inTheWay = (thing: string) =>
    standingThings[thing]?.ownWorkOnly === true && (mend !== undefined || !owns(stageRun, thing))
  const thing = after.findLast((each) => inTheWay(each) || (atProof && !mend))
  return thing === undefined ? undefined : awayStep(thing)
}

/**
 * A joint that is shut next, by an act of its own: not one that the call closes itself, nor one that a mend renews, and
 * what a pull brought is written down first.
 */
export function jointToShut(state: Running): OpenJoint | undefined {
  const { run, standing } = state
  if (run.call === 'rest' && run.lookDue) return undefined
  const inCall = new Set(openPoints(run))
  const mend = run.call === 'rest' ? nextMend(state) : undefined
  const renewed = mend && renews(mend.step)
  return standing.open.find(({ point }) => !inCall.has(point) && point !== renewed)
}

/** The mend to be done next: what shuts an open joint before all others. */
export function nextMend({
  run,
  standing,
}: Running): { step: Step; mend: RunState['mends'][number] } | undefined {
  const open = new Set(standing.open.map(({ point }) => point))
  const left = run.mends.flatMap((mend) => {
    const step = mend.steps.find(({ id }) => !mend.stepsDone.includes(id))
    return step ? { step, mend } : []
  })
  return left.find(({ step }) => open.has(renews(step) ?? '')) ?? left[0]
}

/** Whether a step of a stage is still to be done: what it set up must stand while a place is left, what it takes away must not. */
export function stepIsDue({ standing }: Stands, stageRun: StageRunState, step: Step): boolean {
  const { stepsDone, stage, points, at } = stageRun
  if (!stepsDone.includes(step.id)) return true
  const [sets, clears] = [setsUp(step), takesAway(step)]
  if (clears !== undefined && (stage.after.includes(step) || owns(stageRun, clears)))
    return standing.up.includes(clears)
  const unfinished = points.some((id) => !at[id]?.finished)
  if (sets === undefined || !unfinished || !stage.before.includes(step)) return false
  return !standing.up.includes(sets) && !takenAwayAfter(stageRun, step, sets)
}

/** Whether a later step of the same stage has taken it away: set up once more it would be taken away again, for ever. */
const takenAwayAfter = (
  { stage: { before }, stepsDone }: StageRunState,
  step: Step,
  thing: string,
): boolean =>
  before
    .slice(before.indexOf(step) + 1)
    .some((later) => takesAway(later) === thing && stepsDone.includes(later.id))

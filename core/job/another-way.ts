import { type Fact, fact, type Notice } from '../base/decision'
import { type Plan, type Setup, type Stage, setupOf } from '../plan/answer'
import { makePlan } from '../plan/plan'
import { stageTraits } from '../plan/stage-kinds'
import { techniqueOf } from '../technique'
import {
  type Technique,
  type TechniqueId,
  type TechniqueMinutes,
  techniqueFact,
} from '../technique/technique'
import { type Change, goesBy } from './changes'
import type { Running } from './events/kind'
import { lookOwed, pointFact } from './points'
import type { JobState, StageRunState } from './state'

/** A way the work under the hands could go on by from here. */
export type OtherWay = { technique: Technique; minutes: TechniqueMinutes }
export type OtherWays = { open: OtherWay[]; closed: { technique: Technique; why: Notice }[] }

/**
 * The plan made again with another way for one place of work, or with what the program would take there.
 *
 * @param helper false: nobody can sit in the cab any more
 */
function planWith(
  state: JobState,
  at: Technique['at'],
  technique: TechniqueId | undefined,
  helper: boolean,
): Plan | undefined {
  const { planned, checkIn, vehicle } = state
  if (!planned || !checkIn) return undefined
  const kept = checkIn.work.ways.filter((way) => techniqueOf(way.technique).at !== at)
  const ways = technique ? [...kept, { technique, why: 'another way' }] : kept
  const shop = helper ? planned.shop : { ...planned.shop, helpers: 0 }
  return makePlan({ vehicle, work: { ...checkIn.work, ways }, shop })
}

const stageNow = (state: JobState): StageRunState | undefined => state.run?.stages[state.run.stageIndex]

/** Ways for the stage under work, those that may be taken and those that may not, with why. */
export function otherWays(state: JobState, helper: boolean): OtherWays {
  const now = stageNow(state)?.stage
  const id = now?.technique
  if (!now || id === undefined || !stageTraits[now.kind].waysOpen) return { open: [], closed: [] }
  const { at } = techniqueOf(id)
  const ways = planWith(state, at, undefined, helper)?.ways.find((each) => each.at === at)
  if (!ways) return { open: [], closed: [] }
  const possible = [
    ...(ways.taken ? [ways.taken] : []),
    ...ways.notTaken.flatMap(({ technique, excluded }) => (excluded ? [] : technique)),
  ].filter((each) => each !== id)
  return {
    open: possible.flatMap((technique) => {
      const stage = stageBy(planWith(state, at, technique, helper), now)
      return stage ? { technique: techniqueOf(technique), minutes: stage } : []
    }),
    closed: ways.notTaken
      .filter(({ technique, excluded }) => excluded && technique !== id)
      .map(({ technique, code, params, text }) => ({
        technique: techniqueOf(technique),
        why: { code, params, text },
      })),
  }
}

const stageBy = (plan: Plan | undefined, like: Stage): Stage | undefined =>
  plan?.stages.find(({ kind, technique }) => kind === like.kind && technique !== undefined)

/** What going on by another way makes of the job, or why it cannot be. */
export function decideOtherWay(
  state: Running,
  { technique, alone, why }: { technique: TechniqueId; alone: boolean; why: string },
): { says: Fact; changes: Change[] } | { refusal: Notice } {
  const { run, planned, vehicle } = state
  const now = stageNow(state)
  if (run.call !== 'rest' || lookOwed(run)) return { refusal: fact('close-and-look-first') }
  const [joint] = state.standing.open
  if (joint) return { refusal: fact('stands-open', { point: joint.point }) }
  const before = now?.stage.technique
  if (!now || !planned || before === undefined || !stageTraits[now.stage.kind].waysOpen)
    return { refusal: fact('no-way-here') }
  const next = techniqueOf(technique)
  if (next.id === before || next.at !== techniqueOf(before).at) return { refusal: fact('same-way') }
  const plan = planWith(state, next.at, next.id, !alone)
  const stage = stageBy(plan, now.stage)
  if (!plan || plan.verdict === 'stop' || stage?.technique !== next.id) {
    const closed = plan?.ways.flatMap(({ notTaken }) => notTaken).find((each) => each.technique === next.id)
    return {
      refusal: fact('way-closed', {
        way: techniqueFact(next),
        why: closed
          ? { code: closed.code, params: closed.params, text: closed.text }
          : fact('vehicle-forbids'),
      }),
    }
  }
  const begun = now.stepsDone.length > 0
  const left = now.stage.after.filter(({ id }) => !stage.after.some((step) => step.id === id))
  const open = now.points.find((id) => !now.at[id]?.finished)
  return {
    says: fact('way-changed', {
      from: open === undefined ? fact('here') : pointFact(vehicle, open),
      to: techniqueFact(next),
      no: techniqueFact(techniqueOf(before)),
      why,
    }),
    changes: [
      { op: 'other-way', from: before, ...roundsBy(run, plan, now.stage, stage) },
      { op: 'setup', setup: setupAfter(run, plan) },
      ...(begun && left.length > 0 ? [{ op: 'mend' as const, steps: left }] : []),
    ],
  }
}

/**
 * The stage under way and the ones after it that go as it does, each as the new plan has it: what is set up for all
 * rounds is set up in the first and taken away in the last. Counted from the last, since more may have been put in.
 */
function roundsBy({ stages, stageIndex }: Running['run'], plan: Plan, now: Stage, stage: Stage) {
  const rounds = stages.slice(stageIndex).filter((each) => goesBy(each, now.kind, now.technique)).length
  const planned = plan.stages.filter(
    ({ kind, technique }) => kind === now.kind && technique === stage.technique,
  )
  const [first = stage, ...later] = Array.from(
    { length: rounds },
    (_, i) => planned[Math.max(0, planned.length - rounds + i)] ?? stage,
  )
  return { stage: first, later }
}

/** The new plan's settings and reasons, and why each stage is there that was added on the way: that still holds. */
function setupAfter({ setup, stages }: Running['run'], plan: Plan): Setup {
  const known = new Set(plan.reasons.map(({ code }) => code))
  const asked = new Set(stages.flatMap(({ stage }) => stage.reasons))
  const onTheWay = setup.reasons.filter(({ code }) => asked.has(code) && !known.has(code))
  return { ...setupOf(plan), reasons: [...plan.reasons, ...onTheWay] }
}

import type { Plan, Stage } from '../plan/answer'
import { makePlan } from '../plan/plan'
import { methodName, techniqueOf } from '../technique'
import type { MethodMinutes, Technique, TechniqueId } from '../technique/technique'
import { type Applied, refuse } from './applied'
import { mendFirst } from './change'
import type { EventOf } from './events'
import { pointName } from './points'
import type { JobState, RunState, StageRunState } from './state'

/** A way the work under the hands could go on by from here. */
export type OtherWay = { technique: Technique; minutes: MethodMinutes }
export type OtherWays = { open: OtherWay[]; closed: { technique: Technique; why: string }[] }

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
  if (!now || id === undefined || !['bleed', 'port-bleed'].includes(now.kind)) return { open: [], closed: [] }
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
      .map(({ technique, text }) => ({ technique: techniqueOf(technique), why: text })),
  }
}

const stageBy = (plan: Plan | undefined, like: Stage): Stage | undefined =>
  plan?.stages.find(({ kind, technique }) => kind === like.kind && technique !== undefined)

/**
 * The work under the hands goes on by another way: what went through stays counted, each bleeder that is not finished
 * is prepared for it anew, and what the way before leaves behind is put away first.
 */
export function wayChanged(state: JobState & { run: RunState }, event: EventOf<'way-changed'>): Applied {
  const { run, planned, vehicle } = state
  const now = stageNow(state)
  if (run.call !== 'rest' || run.lookDue)
    return refuse('call-under-way', 'Close it and write down what came first.')
  const before = now?.stage.technique
  if (!now || !planned || before === undefined || !['bleed', 'port-bleed'].includes(now.stage.kind))
    return refuse('no-way-here', 'This stage has one way only.')
  const next = techniqueOf(event.technique)
  if (next.id === before || next.at !== techniqueOf(before).at)
    return refuse('same-way', 'It is done that way already, or nothing here can be.')
  const plan = planWith(state, next.at, next.id, !event.alone)
  const stage = stageBy(plan, now.stage)
  if (!plan || plan.verdict === 'stop' || stage?.technique !== next.id) {
    const why = plan?.ways.flatMap(({ notTaken }) => notTaken).find(({ technique }) => technique === next.id)
    return refuse(
      'way-closed',
      `Not by ${next.name.toLowerCase()}: ${why?.text ?? 'this vehicle forbids it.'}`,
    )
  }
  const begun = now.stepsDone.length > 0
  const stages = run.stages.map((each, i) =>
    i >= run.stageIndex && each.stage.kind === now.stage.kind && each.stage.technique === before
      ? goingOnBy(each, stage)
      : each,
  )
  const left = now.stage.after.filter(({ id }) => !stage.after.some((step) => step.id === id))
  const gone = mendFirst({ ...run, stages, timers: {} }, event.id, begun ? left : [])
  const open = now.points.filter((id) => !now.at[id]?.finished)
  const { pressureKPa, vacuumKPa, limits, cautions } = plan
  const report = {
    eventId: event.id,
    at: event.at,
    by: event.by,
    what: 'way-changed',
    text: `From ${open[0] === undefined ? 'here' : pointName(vehicle, open[0])} on by ${next.name} (${methodName(next.method)}), no longer by ${techniqueOf(before).name}: ${event.why}. What went through counts on.`,
    startAgain: [],
    doubtful: [],
    stillValid: now.points.filter((id) => now.at[id]?.finished),
  }
  return {
    ok: true,
    state: {
      ...state,
      run: gone,
      planned: { ...planned, plan: { ...planned.plan, pressureKPa, vacuumKPa, limits, cautions } },
      troubles: [...state.troubles, report],
    },
  }
}

/** The stage by the new way: its amounts and order stay; steps that both ways share and were done are done. */
function goingOnBy(stageRun: StageRunState, by: Stage): StageRunState {
  const { method, technique, before, after, minutes, fluidMinutes, handlingMinutes } = by
  const shared = (id: string) =>
    before.some((step) => step.id === id && stageRun.stage.before.some((old) => old.text === step.text))
  return {
    ...stageRun,
    stage: { ...stageRun.stage, method, technique, before, after, minutes, fluidMinutes, handlingMinutes },
    stepsDone: stageRun.stepsDone.filter(shared),
    at: Object.fromEntries(
      Object.entries(stageRun.at).map(([id, point]) => [
        id,
        point.finished ? point : { ...point, ready: false },
      ]),
    ),
  }
}

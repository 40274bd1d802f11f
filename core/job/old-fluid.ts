import { z } from 'zod'
import { type Feed, leastThrough } from '../physics/exchange/least-through'
import { feedingOf } from '../plan/amounts'
import { techniqueOf } from '../technique'
import type { Step } from '../technique/step'
import type { PartOf } from '../vehicle/schema'
import type { Running } from './events/kind'
import { reservoirOfPoint } from './points'
import type { RunState } from './state'

/**
 * Old fluid in a reservoir while it is drawn, rinsed and filled, from the first draw on. A draw takes of the mixture, a
 * pour adds none; what a bleed draws from it afterwards is not followed.
 *
 * @returns mL of old; undefined where nothing was drawn yet
 */
export function oldMlAfter(
  { levelMl, oldMl = {} }: RunState,
  step: Step,
  { id }: PartOf<'reservoir'>,
  levelAfterMl: number | undefined,
): number | undefined {
  if (step.asksMl !== 'drawn' || levelAfterMl === undefined) return oldMl[id]
  const [before, old] = [levelMl[id], oldMl[id]]
  // What nobody drew from yet is old throughout.
  if (old === undefined) return levelAfterMl
  return before === undefined || before <= 0 ? Math.min(old, levelAfterMl) : (old / before) * levelAfterMl
}

/** The same mixture where its level is seen to be another than was counted. */
export function withOldAt(run: RunState, reservoirId: string, seenMl: number): RunState {
  const [before, old] = [run.levelMl[reservoirId], run.oldMl?.[reservoirId]]
  if (old === undefined || before === undefined || before <= 0) return run
  return { ...run, oldMl: { ...run.oldMl, [reservoirId]: (old / before) * seenMl } }
}

/** What has to leave each bleeder, as worked out again while the job was done. */
export const amountsSchema = z.record(z.string().max(200), z.number())

/** Less than this nobody can pour or read. @source from memory */
const READABLE_ML = 1

/**
 * What has to leave each bleeder of one reservoir, now that it was filled after a draw that left more or less of the
 * old in it than was planned.
 *
 * @returns undefined where no old share is promised, nothing was drawn, or nothing to speak of changes
 */
export function amountsAfterDraw(
  { vehicle, run, planned }: Running,
  reservoir: PartOf<'reservoir'>,
): Record<string, number> | undefined {
  const oldMl = run.oldMl?.[reservoir.id]
  const { targetOldPct, passageMl, perBleederMl } = planned?.plan.fluid ?? {}
  if (oldMl === undefined || targetOldPct === undefined || !passageMl || !perBleederMl) return undefined
  const bleeds = run.stages.filter(({ stage }) => stage.mlByBleeder !== undefined)
  const technique = bleeds.find(({ stage }) => stage.kind === 'bleed')?.stage.technique
  if (technique === undefined) return undefined
  const ids = [...new Set(bleeds.flatMap(({ points }) => points))].filter(
    (id) => passageMl[id] !== undefined && reservoirOfPoint(vehicle, id) === reservoir.id,
  )
  const feed: Feed = { maxMl: reservoir.maxMl, minMl: reservoir.minMl, oldShare: oldMl / reservoir.maxMl }
  const volumesMl = ids.map((id) => passageMl[id] ?? 0)
  const least = leastThrough(feed, feedingOf(techniqueOf(technique)), volumesMl, targetOldPct / 100)
  const amounts = Object.fromEntries(ids.map((id, i) => [id, least[i]?.throughMl ?? 0]))
  const now = (id: string) => run.amounts?.[id] ?? perBleederMl[id] ?? 0
  const same = ids.every((id) => Math.abs((amounts[id] ?? 0) - now(id)) < READABLE_ML)
  return same ? undefined : amounts
}

/** The run with those amounts at the bleeders; bleeds that follow a unit's cycles keep theirs. */
export function withAmounts(run: RunState, amounts: Readonly<Record<string, number>>): RunState {
  const given = new Set<string>()
  const stages = run.stages.map((stageRun) => {
    const { mlByBleeder, ml } = stageRun.stage
    if (mlByBleeder === undefined) return stageRun
    const next = { ...mlByBleeder }
    for (const [id, amount] of Object.entries(amounts)) {
      if (next[id] === undefined || given.has(id)) continue
      given.add(id)
      next[id] = amount
    }
    const sum = (all: Record<string, number>) => Object.values(all).reduce((total, each) => total + each, 0)
    return {
      ...stageRun,
      stage: { ...stageRun.stage, mlByBleeder: next, ml: ml + sum(next) - sum(mlByBleeder) },
    }
  })
  return { ...run, stages, amounts: { ...run.amounts, ...amounts } }
}

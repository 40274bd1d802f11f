import { z } from 'zod'
import { fact, type Notice } from '../../base/decision'
import { withRun } from '../copies'
import { noSuchReservoir } from '../levels'
import { currentStage, feedsReservoir, lookOwed } from '../points'
import type { RunState, StageRunState } from '../state'
import { type EventKind, onRun, type Running, refuseOnRun } from './kind'
import { short, stamp } from './stamp'

export const drawnAgainSchema = z.object({ ...stamp, type: z.literal('drawn-again'), reservoir: short })
type DrawnAgain = z.output<typeof drawnAgainSchema>

/** The steps of a stage that draw one reservoir down, fill it, and put its lid on: the rinse needs no second one. */
function stepsAgain({ stage: { before } }: StageRunState, reservoir: string): string[] {
  const mine = before.filter((step) => step.reservoir === reservoir)
  const draw = mine.find(({ asksMl, drawsToMl }) => asksMl === 'drawn' && drawsToMl !== undefined)
  const fill = mine.findLast(({ fillsToMax }) => fillsToMax)
  return draw && fill
    ? [draw.id, fill.id, ...before.flatMap(({ id, code }) => (code === 'lid' ? id : []))]
    : []
}

/** The stage in which that reservoir was drawn and filled; undefined where that is not behind. */
export const drawnIn = ({ stages, stageIndex }: RunState, reservoir: string): number | undefined => {
  const found = stages.findIndex((stageRun, i) => {
    const again = stepsAgain(stageRun, reservoir)
    return i <= stageIndex && again.length > 0 && again.every((id) => stageRun.stepsDone.includes(id))
  })
  return found < 0 ? undefined : found
}

/** Once something went through a bleeder, what is old in the reservoir nobody follows any more. */
export function mayDrawAgain({ run }: Running, reservoir: string): Notice | undefined {
  const from = drawnIn(run, reservoir)
  if (from === undefined) return fact('not-drawn-yet')
  if (run.call !== 'rest' || lookOwed(run) || run.mends.length > 0)
    return fact('trouble-call-first', { point: run.callAt ?? '' })
  // What stands on the reservoir may hold it under pressure: nobody lifts its lid.
  const now = currentStage(run)
  const machineOn = now !== undefined && feedsReservoir(now.stage) && now.stepsDone.length > 0
  if (machineOn || run.bottleOn) return fact('reservoir-taken')
  const moved = run.stages
    .slice(from)
    .some(({ at }) => Object.values(at).some(({ pulls, ml }) => pulls > 0 || ml > 0))
  return moved ? fact('too-late-to-draw') : undefined
}

/** Too little was drawn: the reservoir is drawn and filled once more, before the first bleeder is opened. */
export const drawnAgain: EventKind<DrawnAgain> = {
  type: 'drawn-again',
  schema: drawnAgainSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  needs: 'plate',
  refuse: refuseOnRun(
    (state, event) => noSuchReservoir(state, event) ?? mayDrawAgain(state, event.reservoir),
  ),
  apply: onRun((state, { reservoir }) => {
    const { run } = state
    const from = drawnIn(run, reservoir)
    if (from === undefined) return state
    const stages = run.stages.map((stageRun, i) => {
      if (i < from) return stageRun
      const again = i === from ? stepsAgain(stageRun, reservoir) : stageRun.stepsDone
      return { ...stageRun, stepsDone: stageRun.stepsDone.filter((id) => !again.includes(id)) }
    })
    return withRun(state, { ...run, stages, stageIndex: from, timers: {} })
  }),
}

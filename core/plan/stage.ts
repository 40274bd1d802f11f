import type { Reason } from '../base/decision'
import type { Steps } from '../technique/step'
import { noSteps, type Technique, type TechniqueMinutes } from '../technique/technique'
import { partsOf, reservoirFact } from '../vehicle/parts'
import type { ReservoirWork } from './amounts'
import type { Stage } from './answer'
import { fluidUsed, type Prepared } from './prepare'
import type { PlanRequest } from './request'
import { ownSteps, type ReservoirSteps } from './stage-steps'
import { wheelsOff } from './wheels-off'

/** Hands' time of the stages that are no bleeding, minutes. @source from memory */
export const HANDLING_MINUTES = {
  'reservoir-exchange': 6,
  'wipe-reservoir': 15,
  'slow-fill': 10,
  wait: 10,
  'port-bleed': 12,
  'leak-check': 5,
  prove: 15,
} as const

/** What the stages are made from: a request, and what was prepared of it. */
export type Build = Prepared & { request: PlanRequest; reasons: Reason[] }

/** A stage that is its own steps and no way of bleeding. */
export function plainStage(
  build: Build,
  kind: keyof typeof HANDLING_MINUTES,
  ml: number,
  reasons: string[],
  works: readonly ReservoirWork[] = [],
): Stage {
  return {
    kind,
    order: [],
    points: [],
    minutes: HANDLING_MINUTES[kind],
    fluidMinutes: 0,
    handlingMinutes: HANDLING_MINUTES[kind],
    ml,
    reasons,
    ...stepsOf(build, kind, undefined, works),
  }
}

/** The steps of a stage, and of the way it is done where it has one. */
export function stepsOf(
  build: Build,
  kind: Stage['kind'],
  technique?: Technique,
  works: readonly ReservoirWork[] = [],
): Steps {
  const own = technique ? technique.steps(build.context) : noSteps()
  const { vehicle, work } = build.request
  const lifted = wheelsOff(vehicle, work).length > 0
  return ownSteps(kind, fluidUsed(build.request), technique, own, {
    lifted,
    reservoirs: reservoirSteps(build, works),
  })
}

/** What is done to each reservoir, with what it is called. */
export function reservoirSteps(
  { request: { vehicle } }: Build,
  works: readonly ReservoirWork[],
): ReservoirSteps[] {
  const several = partsOf(vehicle, 'reservoir').length > 1
  return works.map((work) => ({ ...work, name: reservoirFact(vehicle, work.reservoir.id), several }))
}

export const minutesOf = ({ fluidMinutes, handlingMinutes }: TechniqueMinutes) => ({
  minutes: fluidMinutes + handlingMinutes,
  fluidMinutes,
  handlingMinutes,
})

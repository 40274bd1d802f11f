import { type Basis, type Params, reason } from '../base/decision'
import type { ReservoirWork } from './amounts'
import type { Stage } from './answer'
import { fluidUsed } from './prepare'
import { type Build, plainStage, reservoirSteps } from './stage'
import { refillStep } from './stage-steps'

/** What is done to these reservoirs before a bleeder is opened: wiped, filled slowly, or exchanged. */
export function reservoirStages(build: Build, works: readonly ReservoirWork[]): Stage[] {
  const { request, scope, reasons } = build
  const { work } = request
  const stages: Stage[] = []
  const ml = works.reduce((sum, { pouredMl }) => sum + pouredMl, 0)
  const say = (code: string, basis: Basis, params?: Params) => {
    if (!reasons.some((each) => each.code === code)) reasons.push(reason(code, basis, params))
  }
  if (work.reason === 'conversion') {
    say('reservoir-wiped', 'practice')
    stages.push(plainStage(build, 'wipe-reservoir', ml, ['reservoir-wiped'], works))
  }
  if (work.systemEmpty) {
    say('fill-slowly', 'practice')
    const filled = work.reason === 'conversion' ? 0 : ml
    stages.push(
      plainStage(build, 'slow-fill', filled, ['fill-slowly'], works),
      plainStage(build, 'wait', 0, ['fill-slowly']),
    )
  } else if (scope.exchange && work.reason !== 'conversion') {
    say('reservoir-first', 'practice')
    stages.push(plainStage(build, 'reservoir-exchange', ml, ['reservoir-first'], works))
  }
  return stages
}

/**
 * Where nothing is exchanged: what is missing from MAX counts with the first bleed, and one that stands below MIN is
 * filled before anything is opened or pressed.
 */
export function withRefill(build: Build, stages: readonly Stage[], works: readonly ReservoirWork[]): Stage[] {
  if (build.scope.exchange || works.length === 0) return [...stages]
  const ml = works.reduce((sum, { pouredMl }) => sum + pouredMl, 0)
  const low = works.filter(({ reservoir: { maxMl, minMl }, pouredMl }) => maxMl - pouredMl < minMl)
  build.reasons.push(reason('refill', 'physics', { refillMl: ml }))
  const steps = reservoirSteps(build, low).map((work) => refillStep(fluidUsed(build.request), work))
  const bled = Math.max(
    0,
    stages.findIndex(({ kind }) => kind === 'bleed'),
  )
  return stages.map((stage, i) => ({
    ...stage,
    ml: stage.ml + (i === bled ? ml : 0),
    before: i === 0 ? [...steps, ...stage.before] : stage.before,
  }))
}

import { type Basis, type Params, reason } from '../base/decision'
import type { ReservoirWork } from './amounts'
import type { Stage } from './answer'
import { type Build, plainStage } from './stage'

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

import { type Fact, fact } from '../../base/decision'
import type { Plan } from '../../plan/answer'
import type { Learned } from './learned'

/** A bleeder that took this much more than is planned took more; less is a pull or two. @source from memory */
const MORE_SHARE = 1.2
const MORE_ML = 20

/** A bleeder that an earlier job passed far more through than this plan does, mL. */
export type TookMore = { bleeder: string; tookMl: number; plannedMl: number }

/** Where this plan passes far less than the last job did, by bleeder. It reaches its target all the same; the last one may not have stopped there. */
export function tookMore(learned: readonly Learned[], { stages }: Pick<Plan, 'stages'>): TookMore[] {
  const planned = new Map<string, number>()
  for (const { kind, mlByBleeder = {} } of stages)
    if (kind === 'bleed')
      for (const [bleeder, ml] of Object.entries(mlByBleeder))
        planned.set(bleeder, (planned.get(bleeder) ?? 0) + ml)
  return learned.flatMap(({ kind, bleeder = '', value = 0 }) => {
    const plannedMl = planned.get(bleeder)
    if (kind !== 'volume' || plannedMl === undefined) return []
    return value > Math.max(MORE_SHARE * plannedMl, plannedMl + MORE_ML)
      ? [{ bleeder, tookMl: value, plannedMl }]
      : []
  })
}

/** What that means for what is put ready: whether what this plan leaves over is enough for as much again. */
export function againstPlan(
  learned: readonly Learned[],
  plan: Pick<Plan, 'stages'> & { fluid: Pick<Plan['fluid'], 'leftMl'> },
): Fact[] {
  const more = tookMore(learned, plan)
  if (more.length === 0) return []
  const moreMl = more.reduce((sum, { tookMl, plannedMl }) => sum + tookMl - plannedMl, 0)
  const { leftMl } = plan.fluid
  return [
    ...more.map((each) => fact('learned-took-more', each)),
    fact(leftMl >= moreMl ? 'learned-left-covers' : 'learned-have-more', { moreMl, leftMl }),
  ]
}

import { describe, expect, test } from 'vitest'
import { planCases } from '~test/plan-cases'
import { requestOf } from '~test/plan-cases/plan-of'
import { type Explained, explainFigure } from './explain'
import { makePlan } from './plan'

const values = ({ inputs }: Explained) =>
  inputs.flatMap((input) => ('value' in input ? [[input.name.code, input.value] as const] : []))

const going = Object.values(planCases)
  .flat()
  .map((each) => [each.name, requestOf(each)] as const)
  .filter(([, request]) => makePlan(request).verdict === 'go')

describe.each(going)('%s', (_name, request) => {
  const plan = makePlan(request)
  test('every figure opens to what it was worked out from, and adds up', () => {
    const total = explainFigure({ figure: 'total' }, request, plan)
    expect(values(total).reduce((sum, [, ml]) => sum + ml, 0)).toBeCloseTo(plan.fluid.totalMl, 6)
    const [, most] = values(explainFigure({ figure: 'top-up' }, request, plan))
    expect((most?.[1] ?? 0) * plan.topUpEvery.strokes).toBeLessThanOrEqual(plan.topUpEvery.ml + 1e-9)
    for (const id of plan.stages.find(({ kind }) => kind === 'bleed')?.order ?? []) {
      const told = Object.fromEntries(
        values(explainFigure({ figure: 'bleeder', bleeder: id }, request, plan)),
      )
      const held = ['own-brake', 'chamber', 'lines', 'unit-share'].map((name) => told[`input-${name}`] ?? 0)
      expect(held.reduce((sum, ml) => sum + ml, 0)).toBeCloseTo(plan.fluid.passageMl[id] ?? 0, 9)
      const through = (told['input-clean-feed'] ?? 0) + (told['input-for-reservoir'] ?? 0)
      expect(through).toBeCloseTo(
        plan.stages.flatMap(({ mlByBleeder }) => mlByBleeder?.[id] ?? [])[0] ?? 0,
        6,
      )
    }
    for (const index of plan.stages.keys())
      expect(explainFigure({ figure: 'stage', index }, request, plan).inputs.length).toBeGreaterThan(3)
  })
})

import { describe, expect, test } from 'vitest'
import { planCases } from '~test/plan-cases'
import { requestOf } from '~test/plan-cases/plan-of'
import { type Explained, explainFigure } from './explain'
import { makePlan } from './plan'

const values = ({ inputs }: Explained) =>
  inputs.flatMap((input) => ('value' in input ? [[input.name, input.value] as const] : []))

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
      const told = explainFigure({ figure: 'bleeder', bleeder: id }, request, plan)
      const [own = 0, lines = 0, unit = 0] = values(told).map(([, ml]) => ml)
      const volumes = told.inputs.find(({ name }) => name === 'volumes for the target')
      const times = volumes && 'text' in volumes ? Number(volumes.text) : 0
      const ml =
        plan.stages.find(({ mlByBleeder }) => mlByBleeder?.[id] !== undefined)?.mlByBleeder?.[id] ?? 0
      // The factor is shown to two decimals, so the product is good to a per cent.
      expect(Math.abs((own + lines + unit) * times - ml)).toBeLessThanOrEqual(0.01 * ml)
    }
    for (const index of plan.stages.keys())
      expect(explainFigure({ figure: 'stage', index }, request, plan).inputs.length).toBeGreaterThan(3)
  })
})

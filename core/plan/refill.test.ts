import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { partsOf } from '../vehicle/parts'
import { makePlan } from './plan'
import { shopSchema, workSchema } from './request'

// Its reservoir holds 400 mL at MAX and 250 at MIN; 40 keep every port covered.
const vehicle = vehicleFrom(carFile(fourCorners))
const [res] = partsOf(vehicle, 'reservoir')
const brake = partsOf(vehicle, 'wheel-brake')[0]?.id ?? ''
const planned = (work: object, methods = ['two-person']) =>
  makePlan({ vehicle, work: workSchema.parse(work), shop: shopSchema.parse({ methods }) })
const oneCorner = (levelMl?: Record<string, number>) =>
  planned({ reason: 'repair', opened: [brake], ...(levelMl && { levelMl }) })
const codes = (plan: ReturnType<typeof planned>) =>
  plan.stages.flatMap(({ before }) => before.map(({ code }) => code))

describe('the level that was seen counts', () => {
  test('one corner opened, 60 mL below MIN: filled first, and what is missing is bought too', () => {
    const [low, full] = [oneCorner({ res: 190 }), oneCorner({ res: 400 })]
    expect(low.fluid.totalMl - full.fluid.totalMl).toBeCloseTo(210, 6)
    expect(low.fluid.reservoirMl).toBeCloseTo(210, 6)
    expect(codes(low)[0]).toBe('refill')
    expect(low.stages.map(({ kind }) => kind)).toEqual(full.stages.map(({ kind }) => kind))
  })

  test('between the marks it is filled by the end, and nobody is told to pour before the bleed', () => {
    const plan = oneCorner({ res: 300 })
    expect(plan.fluid.reservoirMl).toBeCloseTo(100, 6)
    expect(codes(plan)).not.toContain('refill')
  })

  test('a port that stands bare drew air, though nobody said that it ran dry', () => {
    const plan = oneCorner({ res: 30 })
    expect(plan.stages.map(({ kind }) => kind)).toContain('port-bleed')
    expect(plan.reasons.map(({ code }) => code)).toEqual(
      expect.arrayContaining(['scope-ports-bare', 'scope-ran-dry']),
    )
    expect(plan.stages.find(({ kind }) => kind === 'bleed')?.order).toHaveLength(4)
  })

  test('what is not there is not drawn: 30 mL are filled up, and their old fluid counts', () => {
    const plan = planned({ reason: 'service', levelMl: { res: 30 } })
    expect(codes(plan)).not.toContain('draw-to')
    expect(plan.fluid.reservoirMl).toBeCloseTo(370, 6)
    const empty = planned({ reason: 'service', ranDry: true })
    const first = (made: ReturnType<typeof planned>) => made.fluid.perBleederMl.rr ?? 0
    expect(first(plan)).toBeGreaterThan(first(empty) + 20)
  })

  test('run dry and filled up since: what stands in it now is drawn out', () => {
    expect(codes(planned({ reason: 'service', ranDry: true, levelMl: { res: 380 } }))).toContain('draw-to')
  })

  test('whatever stands in it: the stages take what the plan says in all, and it ends at MAX', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 400, noNaN: true }),
        fc.constantFrom('repair', 'service', 'soft-pedal', 'conversion'),
        fc.constantFrom('two-person', 'pressure', 'gravity'),
        (ml, reason, method) => {
          const work = { reason, opened: reason === 'repair' ? [brake] : [], levelMl: { res: ml } }
          const { fluid, stages, verdict } = planned(work, [method, 'ports'])
          if (verdict === 'stop') return
          const sum = stages.reduce((all, each) => all + each.ml, 0)
          expect(sum).toBeCloseTo(fluid.totalMl, 6)
          const left = reason === 'conversion' ? 0 : (fluid.drawToMl.res ?? ml)
          const poured = reason === 'conversion' ? 2 * (res?.maxMl ?? 0) : (res?.maxMl ?? 0) - left
          expect(fluid.reservoirMl).toBeCloseTo(poured + (fluid.rinseMl.res ?? 0), 6)
        },
      ),
      { numRuns: 60 },
    )
  })
})

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { benchPageOf } from '~core/calculators'
import type { OldFluidResult } from '~core/calculators/old-fluid'
import { type Typed, typedFrom, workBench } from '~core/calculators/page'
import { planNow } from '~core/job/selectors'
import { opened, type Plan } from '~core/plan/answer'
import { makePlan } from '~core/plan/plan'
import { type PlanRequest, shopSchema, workSchema } from '~core/plan/request'
import { metricUnits } from '~core/units/units'
import { examples } from '~core/vehicle/examples'
import { reservoirIdOf, routedBleeders } from '~core/vehicle/network'
import { partsOf } from '~core/vehicle/parts'
import { readVehicle } from '~core/vehicle/read-vehicle'
import type { Vehicle } from '~core/vehicle/schema'
import { run } from '../../cli/run'
import { randomVehicleFile } from '../worlds/random-vehicle'
import { ScriptedJob } from '../worlds/scripted-job'

const sum = (values: Iterable<number>) => [...values].reduce((all, each) => all + each, 0)
const RESERVOIRS = ['first', 'second', 'third', 'fourth']

/** What the Bench asks for at each reservoir of this vehicle, started from it. */
function benched(vehicle: Vehicle, kept: 'machine' | 'hand') {
  const page = benchPageOf('old-fluid')
  if (!page) throw new Error('there is no such page')
  return partsOf(vehicle, 'reservoir').map(({ id }, i) => {
    const start = page.startFrom(vehicle, () => RESERVOIRS[i] ?? '') as Typed
    const typed = { ...typedFrom(page, () => null, start, metricUnits), kept }
    const worked = workBench(page, typed, metricUnits)
    if (!worked.ok) throw new Error(JSON.stringify(worked.faults))
    return { id, ...(worked.result as OldFluidResult) }
  })
}

/** The same vehicle and work asked of plan, command, job (card, export, record read it) and shelf. */
function expectAgreement(request: PlanRequest, plan: Plan): void {
  const asked = { format: 'ruddy-siphon.plan-request', version: 1, ...request }
  const printed = run(['plan'], () => JSON.stringify(asked))
  expect(printed.stderr).toBe('')
  const command = JSON.parse(printed.stdout)
  expect(command.fluid.totalMl).toBeCloseTo(plan.fluid.totalMl, 6)
  for (const [id, ml] of Object.entries(plan.fluid.perBleederMl))
    expect(command.fluid.perBleederMl[id]).toBeCloseTo(ml, 6)
  expect(sum(plan.stages.map(({ ml }) => ml))).toBeCloseTo(plan.fluid.totalMl, 6)
  const containers = sum(opened(plan).map(({ ml, count }) => ml * count))
  expect(containers).toBeCloseTo(plan.fluid.totalMl + plan.fluid.leftMl, 6)
  const job = ScriptedJob.checkedIn(request.vehicle, request.work)
  job.do({ type: 'planned', shop: request.shop, plan })
  expect(planNow(job.state)?.fluid).toEqual(plan.fluid)
}

const requestOf = (vehicle: Vehicle, method: string): PlanRequest => ({
  vehicle,
  work: workSchema.parse({ reason: 'service' }),
  shop: shopSchema.parse({ methods: [method] }),
})

describe.each([
  ['machine', 'pressure'],
  ['hand', 'vacuum'],
] as const)('kept full by a %s, the same amounts everywhere', (kept, method) => {
  const compare = (vehicle: Vehicle) => {
    const request = requestOf(vehicle, method)
    const plan = makePlan(request)
    if (plan.verdict === 'stop') return
    expectAgreement(request, plan)
    const routes = new Map(routedBleeders(vehicle).map((each) => [each.bleeder.id, each.route]))
    for (const { id, rinseMl, throughMl, needMl, buy } of benched(vehicle, kept)) {
      const mine = Object.entries(plan.fluid.perBleederMl).filter(([bleeder]) => {
        const found = routes.get(bleeder)
        return found && reservoirIdOf(vehicle, found.sourceId) === id
      })
      // The page holds twelve corners; a longer list is a lorry's, and its plan's alone.
      if (mine.length === 0 || mine.length > 12) continue
      expect(rinseMl).toBe(plan.fluid.rinseMl[id] ?? 0)
      // It is given volumes to a hundredth of a millilitre.
      expect(Math.abs(sum(throughMl) - sum(mine.map(([, ml]) => ml)))).toBeLessThan(0.2)
      const alone = Object.keys(plan.fluid.perBleederMl).length === mine.length
      if (alone && Math.abs(needMl - plan.fluid.totalMl) < 0.2) expect(buy).toEqual(plan.fluid.buy)
    }
  }

  test('for every example vehicle', () => {
    for (const { file } of Object.values(examples)) {
      const read = readVehicle(structuredClone(file))
      if (read.ok) compare(read.value)
    }
  })

  test('for random vehicles', () => {
    fc.assert(
      fc.property(randomVehicleFile, (file) => {
        const read = readVehicle(file)
        if (read.ok) compare(read.value)
      }),
      { numRuns: 40 },
    )
  })
})

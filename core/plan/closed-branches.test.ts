import { describe, expect, test } from 'vitest'
import { Rig } from '../rig/run'
import { examples } from '../vehicle/examples'
import { partsOf } from '../vehicle/parts'
import { makePlan } from './plan'
import { readPlanRequest } from './request'
import { Technician } from './technician'

/** Air that stands in each unit’s closed branches as the work begins, mL. */
const AIR_ML = 3

/** Air left in the vehicle after the plan, with the unit’s routine run or passed over. */
function airLeft(name: string, methods: string[], withRoutine: boolean): number {
  const read = readPlanRequest({
    format: 'ruddy-siphon.plan-request',
    version: 1,
    vehicle: examples[name]?.file,
    work: { reason: 'repair', replaced: ['unit'] },
    shop: { methods },
  })
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  const { vehicle } = read.value
  const plan = makePlan(read.value)
  const bleeds = plan.stages.filter(({ kind }) => kind !== 'control-unit')
  const stages = withRoutine ? plan.stages : bleeds.map((stage) => ({ ...stage, before: [] }))
  const closedAirMl = Object.fromEntries(partsOf(vehicle, 'control-unit').map(({ id }) => [id, AIR_ML]))
  const rig = new Rig({ vehicle, start: { closedAirMl } })
  new Technician(rig, read.value, { ...plan, stages }).work()
  return rig.airMl
}

describe('air locked in a unit’s closed branches, on the simulated vehicle', () => {
  test.each([
    ['parcel-van', 'cycles', ['two-person', 'control-unit']],
    ['electric-post-van', 'wheel by wheel, pedal pumped', ['two-person', 'control-unit']],
    ['electric-post-van', 'wheel by wheel, by the unit alone', ['pressure', 'control-unit']],
    ['hybrid-taxi', 'by wire', ['two-person', 'control-unit']],
  ])(
    '%s, %s: carried out by the routine and its base bleeds, still there without the routine',
    (name, _, methods) => {
      expect(airLeft(name, methods, false)).toBeGreaterThan(0.9 * AIR_ML)
      // Each working mixes a branch with what stands before it: two of them leave about a tenth where nothing flows through.
      expect(airLeft(name, methods, true)).toBeLessThan(0.15 * AIR_ML)
    },
  )
})

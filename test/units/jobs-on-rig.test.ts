import { describe, expect, test } from 'vitest'
import { makePlan } from '~core/plan/plan'
import { readPlanRequest } from '~core/plan/request'
import { examples } from '~core/vehicle/examples'
import { SimulatedUnit } from '../../simulators/scan-tool/unit'
import { JobOnRig } from '../worlds/job-on-rig'
import { vehicleFrom } from '../worlds/vehicles'

const vehicleOf = (name: string) => vehicleFrom(structuredClone(examples[name]?.file))
const TWO = ['two-person', 'control-unit']
const replaced = { reason: 'repair', replaced: ['unit'] } as const

/** A unit fresh from its box: its open ways hold air, its closed ones are filled; it is plugged in once it is bled, or before. */
function freshUnit(name: string, poweredEarly: boolean): SimulatedUnit {
  const unit = new SimulatedUnit(vehicleOf(name))
  unit.comesIn({ closedMl: 0, openMl: 0.7 * (unit.unit?.volumeMl ?? 0) })
  unit.power(false)
  if (poweredEarly) unit.power(true)
  return unit
}

/** What the plan promises of a routine exchange, and what reading a bottle to its marks may miss. */
const PROMISED = 0.05
const READ = 0.01
const led = process.env.WHOLE
  ? Object.keys(examples)
  : ['parcel-van', 'touring-linked', 'boat-trailer', 'school-minibus', 'regatta-coupe']

test.each(led.flatMap((name) => [[name, 'two-person'] as const, [name, 'pressure'] as const]))(
  'a routine exchange led through the bay, %s by %s: what comes last at every bleeder is as new as promised',
  (name, way) => {
    const vehicle = vehicleOf(name)
    const request = readPlanRequest({
      format: 'ruddy-siphon.plan-request',
      version: 1,
      vehicle: examples[name]?.file,
      work: { reason: 'service' },
      shop: { methods: [way] },
    })
    if (!request.ok || makePlan(request.value).verdict === 'stop') return
    const unit = new SimulatedUnit(vehicle)
    const { state } = new JobOnRig(unit, { reason: 'service' }, [way]).goOn()
    const bled =
      state.run?.stages.flatMap(({ stage, points }) => (stage.kind === 'bleed' ? points : [])) ?? []
    expect(bled.length).toBeGreaterThan(0)
    for (const id of bled) expect(unit.oldShareAt(id), id).toBeLessThan(PROMISED + READ)
  },
)

describe('whole jobs on the simulated vehicle, with what it shows written down', () => {
  test('crossed calls drew air in: wheel by wheel takes it out, and no bleeder wants more than its plan says', () => {
    const unit = new SimulatedUnit(vehicleOf('electric-post-van'))
    for (const bleeder of ['FR', 'FL', 'RR', 'RL', 'FR', 'FL', 'RR', 'RL', 'FR', 'FL']) {
      unit.press(true)
      unit.turn(bleeder)
      unit.press(false)
      unit.turn(undefined)
    }
    expect(unit.airMl).toBeGreaterThan(1)
    const { state } = new JobOnRig(unit, { reason: 'soft-pedal' }, TWO).goOn()
    expect(unit.airMl).toBeLessThan(0.1)
    // Nothing new is poured but what is missing: to wait for new colour would be to exchange all of it through one wheel.
    const first = state.run?.stages.find(({ stage }) => stage.kind === 'bleed')
    for (const id of first?.points ?? [])
      expect(first?.at[id]?.ml, id).toBeLessThan(1.3 * (first?.stage.mlByBleeder?.[id] ?? 0))
  })

  test.each(['parcel-van', 'rescue-motorcycle', 'doctors-runabout-rhd'])(
    '%s, a fresh unit: powered before it is bled it locks air in; base, cycle, base, cycle, base takes nearly all of it',
    (name) => {
      const late = freshUnit(name, false)
      expect(late.closedAirMl).toBe(0)
      expect(
        new JobOnRig(late, replaced, TWO).goOn().state.run?.stages.map(({ stage }) => stage.kind),
      ).toEqual(expect.arrayContaining(['control-unit']))
      expect(late.airMl).toBeLessThan(0.1)
      const early = freshUnit(name, true)
      const locked = early.closedAirMl
      expect(locked).toBeGreaterThan(1)
      new JobOnRig(early, replaced, TWO).goOn()
      expect(early.airMl).toBeLessThan(0.1 * locked)
    },
  )

  test('air that a routine left locked in comes out on the drive: the proof finds it by the pedal, and no other does', () => {
    const unit = freshUnit('parcel-van', true)
    const job = new JobOnRig(unit, replaced, TWO)
    job.routineIsIdle = true
    job.goOn()
    expect(unit.closedAirMl).toBeGreaterThan(1)
    expect(job.proved()).toBe('unit-pedal-deeper')
  })

  test('a routine that did its work passes that proof', () => {
    const job = new JobOnRig(freshUnit('parcel-van', true), replaced, TWO).goOn()
    expect(job.proved()).toBeUndefined()
  })

  test('by wire: unit, foot, its own run leave next to no air, and every bleeder has had its amount', () => {
    const unit = new SimulatedUnit(vehicleOf('hybrid-taxi'))
    unit.comesIn({ closedMl: 3, openMl: 3 })
    const { state } = new JobOnRig(unit, replaced, TWO).goOn()
    expect(unit.airMl).toBeLessThan(0.3)
    for (const { stage, at, points } of state.run?.stages ?? [])
      for (const id of points) expect(at[id]?.ml, id).toBeGreaterThan(0.99 * (stage.mlByBleeder?.[id] ?? 0))
  })
})

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { randomVehicleFile } from '~test/worlds/random-vehicle'
import { vehicleFrom } from '~test/worlds/vehicles'
import type { Fact } from '../base/decision'
import { fluidOf, fluidSpecs } from '../fluid/specs'
import { equipmentIds } from '../technique/equipment'
import { methodIds, techniqueIds } from '../technique/technique'
import { boosterOf } from '../vehicle/booster'
import { routesOf } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import { portsCovered } from '../vehicle/usual-volumes'
import { hasWords, sayMetric } from '../words'
import type { Plan } from './answer'
import { makePlan } from './plan'
import { type PlanRequest, shopSchema, workSchema } from './request'
import { decideScope } from './scope/scope'

/** There are words for it, and everything they want to be filled with is there. */
const wellSaid = (fact: Fact) =>
  hasWords(fact.code) && !/undefined|NaN|\[object|\{\^?\w+\}/.test(sayMetric(fact))

const seals = fc.constantFrom('sound', 'aged', 'unknown')
const routines = fc.constantFrom('none', 'cycle', 'wheel-by-wheel', 'maker-led')
const roles = fc.constantFrom('load-sensing', 'metering', 'residual', 'deceleration', 'pressure-difference')
const someOf = <T>(values: readonly T[]) => fc.subarray([...values])

/** A random vehicle whose parts ask for everything a part may ask for. */
const vehicles = fc
  .record({
    file: randomVehicleFile,
    seal: seals,
    routine: routines,
    role: roles,
    byWire: fc.boolean(),
    brake: fc.constantFrom('disc', 'drum'),
    parkingBrake: fc.constantFrom('built-in', 'electric', 'none'),
    atTop: fc.boolean(),
    spec: fc.constantFrom(...fluidSpecs),
    alsoAllowed: someOf(fluidSpecs),
    makersKPa: fc.option(fc.integer({ min: 40, max: 250 }), { nil: undefined }),
  })
  .map(({ file, seal, routine, role, byWire, brake, parkingBrake, atTop, spec, alsoAllowed, makersKPa }) =>
    vehicleFrom({
      ...file,
      fluid: { spec, alsoAllowed },
      ...(makersKPa !== undefined && { makerSettings: { pressureKPa: makersKPa } }),
      parts: file.parts.map((part) => {
        const { type } = part as { type: string }
        if (type === 'reservoir') return { ...part, capSeal: seal }
        if (type === 'control-unit') return { ...part, routine, ...(byWire && { role: 'brake-by-wire' }) }
        if (type === 'valve') return { ...part, role }
        return type === 'wheel-brake' ? { ...part, brake, parkingBrake, bleederAtTop: atTop } : part
      }),
    }),
  )

/** Anything that may have happened to it, in any shop. */
const requests: fc.Arbitrary<PlanRequest> = vehicles.chain((vehicle) => {
  const ids = [...vehicle.parts.map(({ id }) => id), ...vehicle.lines.flatMap(({ id }) => id ?? [])]
  return fc.record({
    vehicle: fc.constant(vehicle),
    work: fc
      .record({
        reason: fc.constantFrom('service', 'repair', 'conversion', 'soft-pedal'),
        opened: someOf(ids).map((all) => all.slice(0, 2)),
        replaced: someOf(ids).map((all) => all.slice(0, 2)),
        ranDry: fc.boolean(),
        systemEmpty: fc.boolean(),
        fluidFound: fc.option(fc.constantFrom(...fluidSpecs, 'unknown'), { nil: undefined, freq: 2 }),
        fluidUsed: fc.option(fc.constantFrom(...fluidSpecs), { nil: undefined, freq: 2 }),
        ways: fc
          .option(fc.constantFrom(...techniqueIds), { nil: undefined, freq: 2 })
          .map((technique) => (technique ? [{ technique, why: 'to try it' }] : [])),
      })
      .map((work) => workSchema.parse(work)),
    shop: fc
      .record({
        methods: someOf(methodIds),
        helpers: fc.nat({ max: 2 }),
        lacks: someOf(equipmentIds).map((all) => all.slice(0, 2)),
        adapters: fc.array(
          fc.record({ name: fc.constant('any'), maxKPa: fc.integer({ min: 20, max: 300 }) }),
          {
            maxLength: 2,
          },
        ),
        tempC: fc.integer({ min: -20, max: 40 }),
      })
      .map((shop) => shopSchema.parse(shop)),
  })
})

const stepsOf = (plan: Plan) => plan.stages.flatMap(({ before, after }) => [...before, ...after])
const kinds = (plan: Plan) => plan.stages.map(({ kind }) => kind)

/** What is put on, held or unplugged, with what takes it off again. */
const pairs = [
  ['adapter', 'adapter-off'],
  ['pressurise', 'depressurise'],
  ['hold-metering', 'free-metering'],
  ['load-axle', 'unload-axle'],
  ['service-mode', 'service-mode-out'],
  ['level-sensor-off', 'level-sensor-back'],
  ['unpower-unit', 'connectors-back'],
  ['hang-caliper', 'refit-caliper'],
  ['lockout', 'lockout-back'],
  ['prop', 'prop-out'],
  ['battery', 'battery-off'],
] as const

const facts: Record<string, (request: PlanRequest, plan: Plan) => void> = {
  'no unsound cap is pressed hard, and no setting is above what maker and adapter allow': (
    { vehicle, shop },
    { pressureKPa, vacuumKPa, limits },
  ) => {
    if (pressureKPa !== undefined) {
      if (partsOf(vehicle, 'reservoir').some(({ capSeal }) => capSeal !== 'sound'))
        expect(pressureKPa).toBeLessThanOrEqual(55)
      for (const { maxKPa } of shop.adapters) expect(pressureKPa).toBeLessThanOrEqual(maxKPa)
      const most = vehicle.makerSettings?.pressureKPa ?? 103
      expect(pressureKPa).toBeLessThanOrEqual(most)
      expect(pressureKPa).toBeLessThanOrEqual(limits.pressureKPa?.[1] ?? 0)
    }
    if (vacuumKPa !== undefined) expect(vacuumKPa).toBeLessThanOrEqual(85)
  },
  'a unit that was opened is worked only after a base bleed, and unplugged until then': (
    { vehicle, work },
    plan,
  ) => {
    const touched = partsOf(vehicle, 'control-unit').some(
      ({ id }) => work.systemEmpty || work.opened.includes(id) || work.replaced.includes(id),
    )
    const first = kinds(plan).indexOf('control-unit')
    if (!touched || first < 0) return
    expect(kinds(plan).slice(0, first)).toContain('bleed')
    expect(kinds(plan).slice(first + 1)).toContain('bleed')
    const ids = stepsOf(plan).map(({ id }) => id)
    expect(ids).toContain('unpower-unit')
    expect(ids.indexOf('unpower-unit')).toBeLessThan(ids.indexOf('power-unit'))
    expect(ids.indexOf('power-unit')).toBeLessThan(ids.findIndex((id) => id.startsWith('procedure ')))
    const powered = plan.stages.findIndex(({ before }) => before.some(({ id }) => id === 'power-unit'))
    expect(powered).toBeGreaterThan(kinds(plan).indexOf('bleed'))
  },
  'kinds that do not mix never meet, except where everything old comes out': (
    { vehicle, work },
    { fluid },
  ) => {
    const base = fluidOf(fluid.spec).base
    expect(base).toBe(fluidOf(vehicle.fluid.spec).base)
    if (work.reason === 'conversion' || work.fluidFound === undefined) return
    if (work.fluidFound === 'unknown') throw new Error('went ahead with an unknown fluid')
    expect(fluidOf(work.fluidFound).base).toBe(base)
  },
  'a cylinder that holds air is bled by itself, before the wheels': ({ vehicle, work, shop }, plan) => {
    if (decideScope(vehicle, work, shop.scopeSchool).value.cylinder === 'none') return
    const at = kinds(plan).findIndex((kind) => kind === 'bench-bleed' || kind === 'port-bleed')
    expect(at).toBeGreaterThanOrEqual(0)
    const wheels = kinds(plan).indexOf('bleed')
    if (wheels >= 0) expect(at).toBeLessThan(wheels)
  },
  'what has to leave a bleeder is wanted at some stage of it': (_, plan) => {
    for (const [id, ml] of Object.entries(plan.fluid.perBleederMl)) {
      const wanted = plan.stages.flatMap(({ mlByBleeder = {} }) => mlByBleeder[id] ?? [])
      expect(Math.max(0, ...wanted), id).toBeGreaterThan(ml - 1e-6)
    }
  },
  'every bleeder in scope is opened': ({ vehicle, work, shop }, plan) => {
    const { bleeders, cylinderBleeders } = decideScope(vehicle, work, shop.scopeSchool).value
    const opened = new Set(plan.stages.flatMap(({ order }) => order))
    for (const { bleeder } of [...bleeders, ...cylinderBleeders]) expect(opened).toContain(bleeder.id)
  },
  'gravity and reverse are not used through a residual-pressure valve': ({ vehicle }, plan) => {
    const holding = partsOf(vehicle, 'valve').filter(({ role }) => role === 'residual')
    const routes = routesOf(vehicle)
    for (const { technique, order } of plan.stages) {
      if (technique !== 'gravity' && technique !== 'reverse') continue
      for (const part of vehicle.parts) {
        if (!('bleeders' in part) || !part.bleeders.some(({ id }) => order.includes(id))) continue
        const through = [...(routes.get(part.id)?.values() ?? [])].flatMap(({ lines }) =>
          lines.map(({ to }) => to),
        )
        if (routes.get(part.id)?.size === 1)
          for (const { id } of holding) expect([part.id, ...through]).not.toContain(id)
      }
    }
  },
  'every reason has a basis, every stage a reason, and everything not taken a reason with its basis': (
    _,
    plan,
  ) => {
    const codes = new Set(plan.reasons.map(({ code }) => code))
    for (const reason of plan.reasons) expect(reason.basis && wellSaid(reason)).toBeTruthy()
    for (const { reasons } of plan.stages) for (const code of reasons) expect(codes).toContain(code)
    for (const { notTaken } of plan.ways)
      for (const why of notTaken) expect(why.basis && wellSaid(why)).toBeTruthy()
  },
  'what is put on, held or unplugged comes off again, later': (_, plan) => {
    const ids = stepsOf(plan).map(({ id }) => id)
    for (const [on, off] of pairs)
      if (ids.includes(on))
        expect(ids.lastIndexOf(off), `${on} without ${off}`).toBeGreaterThan(ids.indexOf(on))
  },
  'the order follows the hands: bench before the reservoir is filled, a machine’s look at fresh joints before any bleed':
    (_, plan) => {
      const all = kinds(plan)
      const filled = all.findIndex((kind) => kind === 'reservoir-exchange' || kind === 'slow-fill')
      const bench = all.indexOf('bench-bleed')
      if (bench >= 0 && filled >= 0) expect(bench).toBeLessThan(filled)
      const early = plan.stages.findIndex(
        ({ kind, technique }) => kind === 'leak-check' && technique !== undefined,
      )
      const bleed = all.indexOf('bleed')
      if (early >= 0 && bleed >= 0) expect(early).toBeLessThan(bleed)
      // Full effort comes last all the same: the machine finds wet joints and proves none.
      if (early >= 0) expect(stepsOf(plan).map(({ code }) => code)).toContain('press-hard')
    },
  'nothing is named that the vehicle does not have: booster, drums, handlebar, accumulator, a syringe for an exchange':
    ({ vehicle, work }, plan) => {
      const steps = new Set(stepsOf(plan).map(({ code }) => code))
      const has = (type: string, more: (part: never) => boolean = () => true) =>
        vehicle.parts.some((part) => part.type === type && more(part as never))
      if (boosterOf(vehicle) !== 'vacuum') expect(steps.has('booster')).toBe(false)
      if (!has('wheel-brake', ({ brake }: { brake: string }) => brake === 'drum'))
        expect(steps.has('adjust-shoes')).toBe(false)
      if (!has('master-cylinder', ({ actuator }: { actuator: string }) => actuator === 'lever'))
        expect(steps.has('bars-turn') || steps.has('bars-crack')).toBe(false)
      if (!has('control-unit', ({ role }: { role: string }) => role === 'brake-by-wire'))
        expect(steps.has('accumulator')).toBe(false)
      if (work.reason !== 'conversion') expect(steps.has('water-drop')).toBe(false)
      if (plan.fluid.targetOldPct !== undefined)
        for (const { technique } of plan.stages) expect(technique).not.toBe('reverse')
    },
  'what is promised is kept: every bleeder of an exchange ends at its target, no reservoir is drawn above MIN or below its ports':
    ({ vehicle }, { fluid, expectedOldPct }) => {
      const ends = Object.values(expectedOldPct)
      if (fluid.targetOldPct === undefined) expect(ends).toEqual([])
      for (const pct of ends) expect(pct).toBeLessThanOrEqual(fluid.targetOldPct ?? 0)
      for (const reservoir of partsOf(vehicle, 'reservoir')) {
        const drawTo = fluid.drawToMl[reservoir.id]
        if (drawTo === undefined) continue
        expect(drawTo).toBeLessThanOrEqual(reservoir.minMl)
        expect(drawTo).toBe(portsCovered(vehicle, reservoir).ml)
      }
    },
  'an excluded way is never taken, and the proof is last': (_, plan) => {
    for (const { taken, notTaken } of plan.ways)
      expect(notTaken.some(({ technique, excluded }) => excluded && technique === taken)).toBe(false)
    expect(kinds(plan).at(-1)).toBe('prove')
  },
}

describe('on random vehicles, after random work, in random shops', () => {
  test.each(Object.entries(facts))('%s', (_name, holds) => {
    let went = 0
    fc.assert(
      fc.property(requests, (request) => {
        const plan = makePlan(request)
        if (plan.verdict === 'stop') {
          expect(plan.stages).toEqual([])
          return
        }
        went++
        holds(request, plan)
      }),
      { numRuns: 900, seed: 21 },
    )
    expect(went).toBeGreaterThan(90)
  })
  test('the same request makes the same plan', () => {
    fc.assert(
      fc.property(requests, (request) => {
        expect(makePlan(structuredClone(request))).toEqual(makePlan(request))
      }),
      { numRuns: 200, seed: 22 },
    )
  })
})

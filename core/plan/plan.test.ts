import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { examples } from '../vehicle/examples'
import { reservoirIdOf, routedBleeders } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import { bleedSettings, type Plan } from './answer'
import { makePlan } from './plan'
import { readPlanRequest } from './request'

const allMethods = ['two-person', 'pressure', 'vacuum', 'bench', 'control-unit']

function requestOf(work: object, shop: object = {}, file: unknown = carFile(fourCorners)) {
  return {
    format: 'ruddy-siphon.plan-request',
    version: 1,
    vehicle: file,
    work: { reason: 'service', ...work },
    shop: { methods: allMethods, ...shop },
  }
}

function planOf(...args: Parameters<typeof requestOf>): Plan {
  const request = readPlanRequest(requestOf(...args))
  if (!request.ok) throw new Error(JSON.stringify(request.faults))
  return makePlan(request.value)
}

const kinds = (plan: Plan) => plan.stages.map((stage) => stage.kind)
const codes = (notices: { code: string }[]) => notices.map((notice) => notice.code)

/** The car with a control unit between the cylinder and every wheel. */
function withUnit(routine: string) {
  const file = carFile(fourCorners)
  const feed = (circuit: string) => ({
    id: `feed-${circuit}`,
    from: `mc-${circuit}`,
    to: 'unit',
    circuit,
    segments: [{ lengthM: 1, boreMm: 3.34, kind: 'tube' }],
  })
  return {
    ...file,
    parts: [
      ...file.parts,
      { id: 'unit', type: 'control-unit', role: 'abs', volumeMl: 20, routine, bleeders: [] },
    ],
    lines: [feed('A'), feed('B'), ...file.lines.map((line) => ({ ...line, from: 'unit' }))],
  }
}

describe('scope and stages (common practice)', () => {
  test('a routine exchange: reservoir, every bleeder, proof', () => {
    const plan = planOf({})
    expect(kinds(plan)).toEqual(['reservoir-exchange', 'bleed', 'prove'])
    expect(plan.stages[1]?.order).toEqual(['rr', 'rl', 'fr', 'fl'])
  })

  test('one brake opened: that bleeder alone, or all of them in a shop of the other school', () => {
    const opened = (shop = {}) =>
      planOf({ reason: 'repair', opened: ['brake-fl'] }, shop).stages.find(({ kind }) => kind === 'bleed')
        ?.order
    expect(opened()).toEqual(['fl'])
    expect(opened({ scopeSchool: 'whole' })).toEqual(['rr', 'rl', 'fr', 'fl'])
  })

  test('one corner is cleared and promised nothing: no reservoir is drawn, no old share is named', () => {
    const { fluid, expectedOldPct, stages } = planOf({ reason: 'repair', opened: ['brake-fl'] })
    expect(stages.map(({ kind }) => kind)).not.toContain('reservoir-exchange')
    expect([fluid.drawToMl, fluid.rinseMl, expectedOldPct, fluid.reservoirMl]).toEqual([{}, {}, {}, 0])
    expect(fluid.perBleederMl.fl).toBeCloseTo(fluid.cleanFeedMl.fl ?? 0, 9)
    expect(fluid.targetOldPct).toBeUndefined()
  })

  test('a soft pedal with nothing opened: looks first, then the ports and every bleeder, and no exchange', () => {
    const plan = planOf({ reason: 'soft-pedal' })
    expect(kinds(plan)).toEqual(['port-bleed', 'bleed', 'prove'])
    expect(codes(plan.reasons)).toContain('find-fault-first')
    expect(plan.expectedOldPct).toEqual({})
    const withTool = planOf({ reason: 'soft-pedal' }, {}, withUnit('cycle'))
    expect(kinds(withTool)).toEqual([
      'port-bleed',
      'bleed',
      'control-unit',
      'bleed',
      'control-unit',
      'bleed',
      'prove',
    ])
    const without = planOf({ reason: 'soft-pedal' }, { methods: ['two-person'] }, withUnit('cycle'))
    expect(kinds(without)).toEqual(['port-bleed', 'bleed', 'prove'])
    expect(kinds(planOf({ reason: 'soft-pedal', opened: ['brake-fl'] }))).not.toContain('port-bleed')
  })

  test('a replaced master cylinder goes to the bench first; at its ports where there is no bench kit', () => {
    expect(kinds(planOf({ reason: 'repair', replaced: ['mc'] }))).toEqual([
      'bench-bleed',
      'reservoir-exchange',
      'leak-check',
      'bleed',
      'leak-check',
      'prove',
    ])
    expect(kinds(planOf({ reason: 'repair', replaced: ['mc'] }, { methods: ['two-person'] }))).toContain(
      'port-bleed',
    )
  })

  test('a feed line to the unit, or a reservoir run dry: at the master cylinder first, then every bleeder', () => {
    expect(kinds(planOf({ reason: 'repair', opened: ['feed-A'] }, {}, withUnit('cycle')))).toEqual([
      'reservoir-exchange',
      'port-bleed',
      'leak-check',
      'bleed',
      'leak-check',
      'prove',
    ])
    expect(kinds(planOf({ reason: 'repair', ranDry: true }))).toEqual([
      'reservoir-exchange',
      'port-bleed',
      'bleed',
      'prove',
    ])
  })

  test('a replaced unit that cycles: base, cycle, base, cycle, base', () => {
    expect(
      kinds(planOf({ reason: 'repair', replaced: ['unit'] }, {}, withUnit('cycle'))).filter(
        (kind) => kind === 'bleed' || kind === 'control-unit',
      ),
    ).toEqual(['bleed', 'control-unit', 'bleed', 'control-unit', 'bleed'])
  })

  test('a wrong fluid: wiped reservoir, every bleeder, 1 %', () => {
    const plan = planOf({ reason: 'conversion', fluidFound: 'DOT 5' })
    expect(kinds(plan)).toEqual(['wipe-reservoir', 'bleed', 'prove'])
    expect(plan.fluid.reservoirMl).toBe(800)
    expect(plan.fluid.totalMl).toBeGreaterThan(1.8 * planOf({}).fluid.totalMl)
  })

  test('a conversion works every unit that offers a routine; without the tool it says what keeps the wrong fluid', () => {
    const convert = (methods?: string[]) =>
      planOf({ reason: 'conversion', fluidFound: 'DOT 5' }, methods ? { methods } : {}, withUnit('cycle'))
    expect(kinds(convert())).toContain('control-unit')
    expect(kinds(convert(['pressure']))).not.toContain('control-unit')
    expect(codes(convert(['pressure']).reasons)).toContain('branches-keep-wrong')
    expect(codes(planOf({}, {}, withUnit('cycle')).reasons)).toContain('branches-keep-old')
  })

  test('a cylinder with bleeders of its own is bled at those, and no nut is cracked', () => {
    const file = carFile(fourCorners)
    const parts = file.parts.map((part) => (part.id === 'mc' ? { ...part, bleeders: [{ id: 'top' }] } : part))
    const stage = planOf({}, {}, { ...file, parts }).stages.find(({ kind }) => kind === 'port-bleed')
    expect(stage?.points).toEqual(['top'])
  })

  test('a syringe is for air alone: it is never the way of an exchange', () => {
    const reverse = (work: object) => planOf(work, { methods: ['two-person', 'reverse'] }).methodsRejected
    expect(reverse({}).find(({ method }) => method === 'reverse')?.code).toBe('reverse-is-no-exchange')
    expect(
      reverse({ reason: 'repair', opened: ['brake-fl'] }).find(({ method }) => method === 'reverse')?.code,
    ).not.toBe('reverse-is-no-exchange')
  })
})

test('separate systems of a motorcycle or quad never alternate, whatever way they are bled', () => {
  let seen = 0
  for (const { file } of Object.values(examples)) {
    const vehicle = vehicleFrom(structuredClone(file))
    const small = vehicle.kind === 'motorcycle' || vehicle.kind === 'quad'
    if (!small || partsOf(vehicle, 'reservoir').length < 2) continue
    const routes = routedBleeders(vehicle)
    const systemOf = (id: string) => {
      const route = routes.find(({ bleeder }) => bleeder.id === id)?.route
      return route && reservoirIdOf(vehicle, route.sourceId)
    }
    // Brakes that hang on both are worked as one.
    const brakes = new Map(routes.map(({ part, bleeder }) => [part.id, systemOf(bleeder.id)]))
    if (routes.some(({ part, bleeder }) => brakes.get(part.id) !== systemOf(bleeder.id))) continue
    for (const method of ['two-person', 'vacuum', 'gravity', 'solo']) {
      const touched = planOf({}, { methods: [method] }, structuredClone(file)).stages.flatMap(
        ({ before, order }) => [
          ...before.flatMap(({ reservoir }) => reservoir ?? []),
          ...order.flatMap((id) => systemOf(id) ?? []),
        ],
      )
      const turns = touched.filter((each, i) => each !== touched[i - 1])
      expect(turns.length).toBe(new Set(turns).size)
      if (turns.length > 1) seen++
    }
  }
  expect(seen).toBeGreaterThan(10)
})

test('the bars are turned where the lever’s own system is opened, though the rear comes first', () => {
  const file = structuredClone(examples['post-sidecar']?.file)
  const bleeds = planOf({}, { methods: ['two-person'] }, file).stages.filter(({ kind }) => kind === 'bleed')
  const turned = bleeds.filter(({ before }) => before.some(({ id }) => id === 'bars'))
  expect(turned.map(({ order }) => order)).toEqual([['F']])
})

test('an order set by hand is kept, though it goes back and forth between a motorcycle’s systems', () => {
  const file = examples['courier-twin-disc']?.file
  const opened = (work: object) =>
    planOf(work, { methods: ['two-person'] }, structuredClone(file)).stages.flatMap(({ order }) => order)
  const bleeders = ['FR', 'R', 'FL']
  expect(opened({ order: { bleeders, why: 'the front caliper is still wet' } })).toEqual(bleeders)
  expect(opened({})).toEqual(['FR', 'FL', 'R'])
})

describe('stops', () => {
  test.each([
    ['a fluid that must not be mixed', { fluidFound: 'DOT 5' }, {}, undefined, 'fluid-incompatible'],
    ['an unknown fluid', { fluidFound: 'unknown' }, {}, undefined, 'fluid-unknown'],
    ['a shop without any method', {}, { methods: [] }, undefined, 'no-method'],
    [
      'a unit opened and no tool for it',
      { reason: 'repair', opened: ['unit'] },
      { methods: ['two-person'] },
      withUnit('cycle'),
      'control-unit-tool-missing',
    ],
    [
      'a new cylinder and neither bench nor ports',
      { reason: 'repair', replaced: ['mc'] },
      { methods: ['vacuum'] },
      undefined,
      'cylinder-method-missing',
    ],
    ['gravity alone in a freezing shop', {}, { methods: ['gravity'], tempC: 0 }, undefined, 'no-method-fits'],
  ])('%s', (_, work, shop, file, code) => {
    const plan = planOf(work, shop, file)
    expect(plan.verdict).toBe('stop')
    expect(codes(plan.stops)).toContain(code)
    expect(plan.stages).toEqual([])
    expect(plan.topUpEvery.reservoir).toBe('res')
  })

  test('a unit without a routine needs no tool', () => {
    expect(
      planOf({ reason: 'repair', opened: ['unit'] }, { methods: ['two-person'] }, withUnit('none')).verdict,
    ).toBe('go')
  })
})

describe('volumes', () => {
  test('chamber, line, worn and dead caliper by hand; after a dry reservoir they go through 1/(2√0.05) times', () => {
    const behindMm = 5 + 3
    const heldMl = (Math.PI / 4) * (20 ** 2 * 15e-3 + 3.34 ** 2 * 5 + 50 ** 2 * behindMm * 1e-3) + 2
    expect(planOf({}).fluid.passageMl.rr).toBeCloseTo(heldMl, 9)
    const dry = planOf({ reason: 'repair', ranDry: true }).fluid
    expect(dry.perBleederMl.rr).toBeCloseTo(heldMl / (2 * Math.sqrt(0.05)), 6)
    expect(dry.reservoirMl).toBe(400)
  })

  test('a shared unit, feed and chamber count for the first bleeder of their circuit', () => {
    const { passageMl } = planOf({}, {}, withUnit('cycle')).fluid
    const without = planOf({}).fluid.passageMl
    const sharedMl = (Math.PI / 4) * 3.34 ** 2 + 10
    expect((passageMl.rr ?? 0) - (without.rr ?? 0)).toBeCloseTo(sharedMl, 9)
    expect(passageMl.rl).toBeCloseTo(without.rl ?? 0, 9)
    const chamberMl = (Math.PI / 4) * 20 ** 2 * 15e-3
    expect((without.rr ?? 0) - (without.rl ?? 0)).toBeCloseTo(
      chamberMl + (Math.PI / 4) * 3.34 ** 2 * (5 - 4.2),
      9,
    )
  })

  test('the reservoir is drawn down as far as its ports stay covered, never above MIN; what is bought covers all', () => {
    const { totalMl, drawToMl, rinseMl, reservoirMl, buy } = planOf({}).fluid
    expect(drawToMl).toEqual({ res: 40 })
    expect(reservoirMl).toBeCloseTo(400 - 40 + (rinseMl.res ?? 0), 9)
    expect(buy.reduce((sum, { ml, count }) => sum + ml * count, 0)).toBeGreaterThanOrEqual(totalMl)
    const withPorts = (portsCoveredMl: number) => {
      const file = carFile(fourCorners)
      return {
        ...file,
        parts: file.parts.map((part) => (part.id === 'res' ? { ...part, portsCoveredMl } : part)),
      }
    }
    expect(planOf({}, {}, withPorts(90)).fluid.drawToMl).toEqual({ res: 90 })
    const refused = readPlanRequest(requestOf({}, {}, withPorts(260)))
    expect(refused.ok ? [] : refused.faults.map(({ path }) => path)).toEqual([
      'vehicle.parts.0.portsCoveredMl',
    ])
  })

  test('what stays in the machine is bought with the rest; by foot nothing does', () => {
    expect(planOf({}, { methods: ['pressure'] }).fluid.keptMl).toBe(150)
    expect(planOf({}, { methods: ['two-person'] }).fluid.keptMl).toBeUndefined()
  })

  test('are never below 0 and never less for a purer target or more wear', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 49, noNaN: true }),
        fc.double({ min: 0.1, max: 49, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (a, b, wear) => {
          const at = (targetOldPct: number, wearMm: number) =>
            planOf({ padWearMm: { 'brake-rr': wearMm } }, { targetOldPct }).fluid
          const pure = at(Math.min(a, b), wear)
          expect(pure.totalMl).toBeGreaterThanOrEqual(at(Math.max(a, b), wear).totalMl - 1e-9)
          expect(pure.totalMl).toBeGreaterThanOrEqual(at(Math.min(a, b), 0).totalMl - 1e-9)
          for (const ml of Object.values(pure.perBleederMl)) expect(ml).toBeGreaterThanOrEqual(0)
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('settings', () => {
  const capped = (capSeal: string) => {
    const file = carFile(fourCorners)
    return { ...file, parts: file.parts.map((part) => (part.id === 'res' ? { ...part, capSeal } : part)) }
  }

  test('a sound cap takes 70–103 kPa, a doubtful one no more than 55 (common practice)', () => {
    expect(planOf({}, { methods: ['pressure'] }).pressureKPa).toBeGreaterThanOrEqual(70)
    expect(planOf({}, { methods: ['pressure'] }).pressureKPa).toBeLessThanOrEqual(103)
    for (const seal of ['aged', 'unknown'])
      expect(planOf({}, { methods: ['pressure'] }, capped(seal)).pressureKPa).toBeLessThanOrEqual(55)
  })

  test('a look at fresh joints by the machine states its pressure, and the bleed by foot has none', () => {
    const work = {
      reason: 'repair',
      opened: ['brake-fl'],
      ways: [{ technique: 'pump-and-hold', why: 'calm' }],
    }
    const plan = planOf(work, { methods: ['two-person', 'pressure'] })
    expect(plan.stages.map(({ technique }) => technique)).toContain('pressure')
    expect(plan.pressureKPa).toBe(100)
    expect(plan.limits.pressureKPa).toEqual([70, 103])
    expect(codes(plan.reasons)).toContain('pressure-setting')
    expect(bleedSettings(plan).pressureKPa).toBeUndefined()
    expect(bleedSettings(planOf({}, { methods: ['pressure'] })).pressureKPa).toBe(100)
    expect(planOf(work, { methods: ['two-person'] }).pressureKPa).toBeUndefined()
  })

  test('the maker’s pressure wins on a sound cap', () => {
    expect(planOf({}, {}, { ...capped('sound'), makerSettings: { pressureKPa: 200 } })).toMatchObject({
      pressureKPa: 200,
    })
  })

  test('a colder shop never takes less time', () => {
    const minutes = (tempC: number) => planOf({}, { tempC, methods: ['pressure'] }).stages[1]?.minutes ?? 0
    expect(minutes(0)).toBeGreaterThan(minutes(20))
    expect(minutes(-20)).toBeGreaterThan(minutes(0))
  })

  test('every method not taken has its reason, and every reason a basis', () => {
    const plan = planOf({})
    const taken = plan.stages.map((stage) => stage.method)
    const rejected = plan.methodsRejected.map((each) => each.method)
    for (const method of [
      'two-person',
      'solo',
      'gravity',
      'pressure',
      'vacuum',
      'pressure-vacuum',
      'reverse',
    ] as const)
      expect(taken.includes(method) !== rejected.includes(method)).toBe(true)
    for (const { basis } of plan.reasons)
      expect(['standard', 'physics', 'maker', 'practice', 'default']).toContain(basis)
    for (const stage of plan.stages)
      for (const code of stage.reasons) expect(codes(plan.reasons)).toContain(code)
  })
})

test('faults name their path from the request’s root', () => {
  const faults = (work: object, shop?: object) => {
    const read = readPlanRequest(requestOf(work, shop))
    return read.ok ? [] : read.faults.map((fault) => fault.path)
  }
  expect(faults({ opened: ['brake-fl', 'horn'] })).toEqual(['work.opened.1'])
  expect(faults({ padWearMm: { mc: 3 } })).toEqual(['work.padWearMm.mc'])
  expect(faults({ reading: { kind: 'water-pct', value: 120, at: 'caliper' } })).toEqual([
    'work.reading.value',
  ])
  expect(faults({}, { tempC: 'warm' })).toEqual(['shop.tempC'])
})

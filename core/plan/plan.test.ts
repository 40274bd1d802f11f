import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { carFile, fourCorners } from '~test/worlds/vehicles'
import type { Plan } from './answer'
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
    expect(planOf({ reason: 'repair', opened: ['brake-fl'] }).stages[0]?.order).toEqual(['fl'])
    expect(
      planOf({ reason: 'repair', opened: ['brake-fl'] }, { scopeSchool: 'whole' }).stages[1]?.order,
    ).toEqual(['rr', 'rl', 'fr', 'fl'])
  })

  test('a replaced master cylinder goes to the bench first; at its ports where there is no bench kit', () => {
    expect(kinds(planOf({ reason: 'repair', replaced: ['mc'] }))).toEqual([
      'reservoir-exchange',
      'bench-bleed',
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
    expect(plan.fluid.totalMl).toBeGreaterThan(2 * planOf({}).fluid.totalMl)
  })
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
  test('line and worn caliper by hand: 5 m of 3.34 mm and a 50 mm piston out by 5 mm, times 1/(2√0.05)', () => {
    const heldMl = (Math.PI / 4) * (3.34 ** 2 * 5 + 50 ** 2 * 5e-3)
    expect(planOf({}).fluid.perBleederMl.rr).toBeCloseTo(heldMl / (2 * Math.sqrt(0.05)), 9)
  })

  test('a shared unit and feed count for the first bleeder of their circuit', () => {
    const { perBleederMl } = planOf({}, {}, withUnit('cycle')).fluid
    const sharedMl = (Math.PI / 4) * 3.34 ** 2 + 10
    const rl = planOf({}).fluid.perBleederMl
    expect((perBleederMl.rr ?? 0) - (rl.rr ?? 0)).toBeCloseTo(sharedMl / (2 * Math.sqrt(0.05)), 9)
    expect(perBleederMl.rl).toBeCloseTo(rl.rl ?? 0, 9)
  })

  test('the total is bleeders plus reservoir, from MIN to MAX; what is bought covers it', () => {
    const { totalMl, perBleederMl, reservoirMl, buy } = planOf({}).fluid
    expect(reservoirMl).toBe(150)
    expect(totalMl).toBeCloseTo(
      Object.values(perBleederMl).reduce((a, b) => a + b, 150),
      9,
    )
    expect(buy.reduce((sum, { ml, count }) => sum + ml * count, 0)).toBeGreaterThanOrEqual(totalMl)
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

test('a reservoir refilled from MIN is said to feed old fluid on', () => {
  const plan = planOf({})
  expect(codes(plan.reasons)).toContain('reservoir-carries-old')
  expect(plan.expectedOldPct.rr).toBeGreaterThan(plan.expectedOldPct.fl ?? 100)
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

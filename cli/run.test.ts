import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { examples } from '~core/calculators/command/examples'
import { planCases } from '~test/plan-cases'
import { requestOf } from '~test/plan-cases/plan-of'
import { carFile, fourCorners } from '~test/worlds/vehicles'
import { run } from './run'

const calc = (name: string, input: unknown) => run(['calc', name], () => JSON.stringify(input))
const plan = (input: unknown) => run(['plan'], () => JSON.stringify(input))
const request = {
  format: 'ruddy-siphon.plan-request',
  version: 1,
  vehicle: carFile(fourCorners),
  work: { reason: 'service' },
  shop: { methods: ['two-person'] },
}

describe('answers', () => {
  test.each([
    [
      'boiling-point',
      { dryC: 205, wetC: 140, waterPct: 3.7 },
      { boilingC: expect.closeTo(140, 6), bandC: expect.any(Number) },
    ],
    [
      'water-from-boiling',
      { dryC: 205, wetC: 140, boilingC: 140 },
      // At the wet point itself it holds what the tested fluid may hold there.
      {
        waterPct: expect.closeTo(3.7, 6),
        lowPct: expect.closeTo(3, 6),
        highPct: expect.closeTo(5, 6),
      },
    ],
    [
      'purge',
      { volumeMl: 80, tanks: 1, targetOldPct: 5 },
      {
        ml: expect.closeTo(80 * Math.log(20), 6),
        volumes: expect.closeTo(Math.log(20), 6),
        laminarMl: expect.closeTo(80 / (2 * Math.sqrt(0.05)), 6),
      },
    ],
    ['top-up', { usableMl: 160, mlPerStroke: 7.5 }, { strokes: 21 }],
    ['wear-drop', { pistons: [{ diameterMm: 54, count: 1 }], wearMm: 10 }, { ml: expect.closeTo(22.9, 1) }],
  ])('calc %s', (name, input, answer) => {
    const { exitCode, stdout, stderr } = calc(name, input)
    expect({ exitCode, stderr }).toEqual({ exitCode: 0, stderr: '' })
    expect(JSON.parse(stdout)).toEqual(answer)
  })

  test.each(Object.entries(examples))(
    'calc %s answers its example, and nothing in it is null',
    (name, input) => {
      const { exitCode, stdout } = calc(name, input)
      expect(exitCode).toBe(0)
      expect(stdout).not.toContain('null')
    },
  )

  test('a plan; a stop is an answer too, and nothing in it is null', () => {
    expect(plan(request).exitCode).toBe(0)
    const stopped = plan({ ...request, shop: {} })
    expect(stopped.exitCode).toBe(0)
    expect(JSON.parse(stopped.stdout)).toMatchObject({
      verdict: 'stop',
      stops: [{ code: 'no-method' }],
      stages: [],
    })
    expect(plan(request).stdout).not.toContain('null')
  })
})

describe('faults: exit 2, nothing on standard output, a line each', () => {
  test.each([
    ['purge', { volumeMl: 80, tanks: 3, targetOldPct: 0 }, 'targetOldPct: '],
    ['boiling-point', { dryC: 205, wetC: 220, waterPct: 1 }, 'wetC: '],
    ['boiling-point', { dryC: 205, wetC: 140, waterPct: 101 }, 'waterPct: '],
    ['water-from-boiling', { dryC: 205, wetC: 140, boilingC: 206 }, 'boilingC: '],
    ['wear-drop', { pistons: [{ diameterMm: 0, count: 1 }], wearMm: 1 }, 'pistons.0.diameterMm: '],
    ['nonsense', {}, 'calc: '],
  ])('calc %s %j', (name, input, begins) => {
    const { exitCode, stdout, stderr } = calc(name, input)
    expect({ exitCode, stdout }).toEqual({ exitCode: 2, stdout: '' })
    expect(stderr.startsWith(begins)).toBe(true)
    expect(stderr.endsWith('\n')).toBe(true)
  })

  test('paths go from the request’s root, dots for indices too', () => {
    const { parts } = request.vehicle
    const twice = {
      ...request,
      vehicle: { ...request.vehicle, parts: [parts[0], parts[1], { ...parts[2], id: 'res' }] },
    }
    expect(plan(twice).stderr).toContain('vehicle.parts.2.id: the id "res" is used twice')
    expect(run(['plan'], () => '{').stderr).toBe('(root): this is not JSON; give one JSON object\n')
  })
})

/** Plan requests of every kind of work, to be spoiled anywhere. */
const texts = Object.values(planCases)
  .flat()
  .map((each) => JSON.stringify({ format: request.format, version: 1, ...requestOf(each) }))

test('10 000 plan requests spoiled in one place are answered or refused with a path, never a crash', () => {
  const keysOf = (text: string) => [
    ...new Set([...text.matchAll(/"(\w+)":/g)].map((match) => match[1] ?? '')),
  ]
  const spoiled = fc.constantFrom(...texts).chain((text) =>
    fc.record({
      text: fc.constant(text),
      key: fc.constantFrom(...keysOf(text)),
      value: fc.oneof(
        fc.jsonValue({ maxDepth: 1 }),
        fc.double({ min: 1e-3, max: 1e3, noNaN: true }),
        fc.constantFrom('gravity', 'cycle', 'DOT 5', 'aged', 'unit', 0, -1, 1e9),
      ),
      which: fc.nat({ max: 8 }),
    }),
  )
  let refused = 0
  fc.assert(
    fc.property(spoiled, ({ text, key, value, which }) => {
      let seen = 0
      const input = JSON.parse(text, (k, v) => (k === key && seen++ === which ? value : v))
      const { exitCode, stdout, stderr } = plan(input)
      if (exitCode === 0) {
        expect(stdout).not.toContain('null')
        return
      }
      refused++
      expect(exitCode).toBe(2)
      expect(stdout).toBe('')
      for (const line of stderr.trimEnd().split('\n')) expect(line).toMatch(/^\S.*: \S/)
    }),
    { numRuns: 10_000, seed: 5 },
  )
  expect(refused).toBeGreaterThan(1000)
})

describe('rig', () => {
  const request = (more: object = {}) => ({
    format: 'ruddy-siphon.rig-request',
    version: 1,
    vehicle: carFile(fourCorners),
    acts: [
      { do: 'press', cylinder: 'mc', effortN: 100, for: 1 },
      { do: 'open', bleeder: 'rr', hose: 'under-fluid', for: 2 },
      { do: 'close', bleeder: 'rr' },
      { do: 'release', cylinder: 'mc', for: 2 },
    ],
    ...more,
  })
  const rig = (input: object) => run(['rig'], () => JSON.stringify(input))

  test('answers what a technician would see after each act, and balances at the end', () => {
    const answer = JSON.parse(rig(request()).stdout)
    expect(answer.acts).toHaveLength(4)
    expect(answer.acts[0].pedalMm.mc).toBeGreaterThan(5)
    expect(answer.acts[1].out.rr.ml).toBeGreaterThan(1)
    expect(answer.end.balanceMl.gap).toBeCloseTo(0, 6)
    expect(answer.end.airInAllMl).toBeCloseTo(0, 9)
  })

  test.each([
    [{ acts: [{ do: 'open', bleeder: 'xx' }] }, 'acts.0.bleeder: '],
    [{ acts: [{ do: 'press', cylinder: 'mc', effortN: -1 }] }, 'acts.0.effortN: '],
    [{ acts: [{ do: 'dance' }] }, 'acts.0.do: '],
    [{ faults: [{ kind: 'leak', at: 'res', mlPerMinPerMPa: 3 }] }, 'faults.0.at: '],
    [{ start: { airMl: { nothing: 1 } } }, 'start.airMl.nothing: '],
    [{ vehicle: {} }, 'vehicle.format: '],
  ])('%j is refused by its path', (more, begins) => {
    const { exitCode, stdout, stderr } = rig(request(more))
    expect({ exitCode, stdout }).toEqual({ exitCode: 2, stdout: '' })
    expect(stderr.startsWith(begins)).toBe(true)
  })
})

describe('diagnose', () => {
  const request = {
    format: 'ruddy-siphon.diagnose-request',
    version: 1,
    vehicle: carFile(fourCorners),
    complaint: 'sinking-pedal',
    history: { opened: [], replaced: [], ageYears: 9, bledSince: true, fullyBled: true },
    found: [{ check: 'level', result: 'full' }],
    costs: { labourPerHour: 70, parts: { 'master-cylinder': 140 } },
  }
  const diagnose = (input: unknown) => run(['diagnose'], () => JSON.stringify(input))

  test('says what it may be, what comes next and why, each with its sentence', () => {
    const { causes, next, expectedCost, reasons } = JSON.parse(diagnose(request).stdout)
    expect(causes[0]).toMatchObject({ id: 'cylinder-bypass', at: 'mc' })
    expect(next[0]).toMatchObject({
      kind: 'check',
      id: 'wet-places',
      text: expect.stringMatching(/^Look along/),
    })
    expect(expectedCost).toBe(next[0].cost + next[0].expectedCostAfter)
    for (const each of [...next, ...reasons]) expect(each.text).not.toMatch(/\{|undefined/)
  })

  test('500 requests spoiled in one place are answered or refused with a path, never a crash', () => {
    const text = JSON.stringify(request)
    const keys = [...new Set([...text.matchAll(/"(\w+)":/g)].map((match) => match[1] ?? ''))]
    const value = fc.oneof(
      fc.jsonValue({ maxDepth: 1 }),
      fc.constantFrom('soft-pedal', 'wet-places', 'dry', 'drum', 'mc', 0, -1, 1e9),
    )
    fc.assert(
      fc.property(fc.constantFrom(...keys), value, fc.nat({ max: 3 }), (key, spoilt, which) => {
        let seen = 0
        const { exitCode, stdout, stderr } = diagnose(
          JSON.parse(text, (k, v) => (k === key && seen++ === which ? spoilt : v)),
        )
        if (exitCode === 0) {
          expect(stdout).not.toContain('null')
          return
        }
        expect([exitCode, stdout]).toEqual([2, ''])
        for (const line of stderr.trimEnd().split('\n')) expect(line).toMatch(/^\S.*: \S/)
      }),
      { numRuns: 500, seed: 6 },
    )
  })
})

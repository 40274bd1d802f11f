import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { reynoldsNumber } from '../../physics/hydraulics/flow'
import { fromMetric, toMetric } from '../../units/units'
import { examples } from './examples'
import { calculators } from './index'

const calculatorOf = (name: string) => {
  const found = calculators.find((each) => each.name === name)
  if (!found) throw new Error(`no calculator ${name}`)
  return found
}
const answer = (name: string, changes: Record<string, unknown> = {}): Record<string, number> => {
  const run = calculatorOf(name).run({ ...examples[name], ...changes })
  if (!run.ok) throw new Error(run.faults.map(({ path, message }) => `${path}: ${message}`).join())
  return run.value as Record<string, number>
}

/** Every number anywhere in an answer. */
function numbersIn(value: unknown): number[] {
  if (typeof value === 'number') return [value]
  return value !== null && typeof value === 'object' ? Object.values(value).flatMap(numbersIn) : []
}

test('every calculator has an example, and every example is answered', () => {
  expect(Object.keys(examples).sort()).toEqual(calculators.map(({ name }) => name).sort())
  for (const name of Object.keys(examples)) expect(numbersIn(answer(name)).every(Number.isFinite)).toBe(true)
})

const wild = fc.oneof(
  fc.double(),
  fc.double({ min: 0, max: 500, noNaN: true }),
  fc.double({ min: 0, max: 1e-5, noNaN: true }),
  fc.integer({ min: -3, max: 300 }),
  fc.constantFrom('DOT 4', 'DOT 5', 'mineral', '2026-02-30', '2026-02-28', '', null, undefined, [], {}),
  fc.jsonValue({ maxDepth: 2 }),
)

/** An input with some of its values, at any depth, replaced by others. */
const spoiled = (example: object) => {
  const leaves: (string | number)[][] = []
  const walk = (value: unknown, path: (string | number)[]) => {
    if (path.length > 0) leaves.push(path)
    if (value !== null && typeof value === 'object')
      for (const [key, inner] of Object.entries(value)) walk(inner, [...path, key])
  }
  walk(example, [])
  return fc.array(fc.tuple(fc.constantFrom(...leaves), wild), { maxLength: 4 }).map((changes) => {
    const copy = structuredClone(example) as Record<string | number, unknown>
    for (const [path, value] of changes) {
      let at: Record<string | number, unknown> | undefined = copy
      for (const key of path.slice(0, -1)) at = at?.[key] as typeof at
      if (at && typeof at === 'object') at[path.at(-1) ?? ''] = value
    }
    return copy
  })
}

describe('whatever comes in, finite numbers or faults with a path come out, never a crash (10 000 each)', () => {
  test.each(calculators.map(({ name }) => name))('%s', (name) => {
    fc.assert(
      fc.property(spoiled(examples[name] ?? {}), (input) => {
        const run = calculatorOf(name).run(input)
        if (run.ok) for (const number of numbersIn(run.value)) expect(Number.isFinite(number)).toBe(true)
        else for (const fault of run.faults) expect(fault.path).toMatch(/^[a-zA-Z0-9.]+$/)
      }),
      { numRuns: 10_000, seed: 11 },
    )
  })
})

describe('rises and falls as physics does, over the whole range', () => {
  const factor = fc.double({ min: 1.02, max: 5, noNaN: true })
  const within = (min: number, max: number) => fc.double({ min, max, noNaN: true })
  const [up, down] = [1, -1]
  test.each([
    ['flow', 'pressureKPa', 1, 2000, 'mlPerMin', up],
    ['flow', 'mm2PerS', 4, 2000, 'mlPerMin', down],
    ['restriction', 'mlPerMin', 1, 200, 'effectiveBoreMm', up],
    ['purge', 'volumeMl', 1, 5000, 'ml', up],
    ['purge', 'targetOldPct', 0.01, 15, 'ml', down],
    ['bubble-rise', 'mm2PerS', 1, 2000, 'seconds', up],
    ['bubble-rise', 'bubbleMm', 0.01, 3, 'seconds', down],
    ['bubble-sticks', 'boreMm', 0.1, 20, 'number', up],
    ['wear-drop', 'wearMm', 0.1, 20, 'ml', up],
    ['top-up', 'usableMl', 1, 5000, 'strokes', up],
    ['boiling-point', 'waterPct', 0.01, 12, 'boilingC', down],
    ['boiling-point', 'heightM', 1, 1000, 'boilingC', down],
  ] as const)('%s: %s from %d to %d moves %s', (name, field, min, max, result, sign) => {
    fc.assert(
      fc.property(within(min, max), factor, (value, times) => {
        const [before, after] = [value, value * times].map(
          (each) => answer(name, { [field]: each })[result] ?? 0,
        )
        expect(sign * ((after ?? 0) - (before ?? 0))).toBeGreaterThanOrEqual(-1e-9)
      }),
    )
  })

  test('viscosity falls as it warms, for every spec', () => {
    for (const spec of ['DOT 3', 'DOT 4', 'DOT 4 LV', 'DOT 5', 'DOT 5.1', 'mineral'])
      for (let tempC = -40; tempC < 150; tempC += 5)
        expect(answer('viscosity', { spec, tempC: tempC + 5 }).mm2PerS).toBeLessThan(
          answer('viscosity', { spec, tempC }).mm2PerS ?? 0,
        )
  })
})

test('a viscosity that rises as it warms is refused at the warmer point, and so far off that nothing flows it is none', () => {
  const run = (points: object, tempC = 20) => {
    const asked = calculatorOf('viscosity').run({ points, tempC })
    return asked.ok ? asked.value : asked.faults[0]?.path
  }
  const [cold, warm] = [
    { tempC: -40, mm2PerS: 1300 },
    { tempC: 100, mm2PerS: 2.1 },
  ]
  expect(run([cold, { ...warm, mm2PerS: 1301 }])).toBe('points.1.mm2PerS')
  expect(run([{ ...warm, mm2PerS: 1301 }, cold])).toBe('points.0.mm2PerS')
  const steep = [
    { tempC: 99, mm2PerS: 50 },
    { tempC: 100, mm2PerS: 2.1 },
  ]
  expect(run(steep, -60)).toBe('tempC')
  fc.assert(
    fc.property(
      fc.double({ min: 0.32, max: 1e6, noNaN: true }),
      fc.double({ min: 0.32, max: 1e6, noNaN: true }),
      fc.double({ min: -60, max: 250, noNaN: true }),
      (a, b, tempC) => {
        const found = run(
          [
            { tempC: 0, mm2PerS: a },
            { tempC: 60, mm2PerS: b },
          ],
          tempC,
        )
        if (typeof found === 'object') expect(JSON.stringify(found)).toMatch(/^{"mm2PerS":\d/)
        else expect(found).toMatch(/^(points\.1\.mm2PerS|tempC)$/)
      },
    ),
  )
})

describe('what inverts inverts to a millionth', () => {
  const share = fc.double({ min: 0.02, max: 0.98, noNaN: true })
  test('the bore of a narrowed hose comes back from its own flow, turbulent or not', () => {
    fc.assert(
      fc.property(share, fc.double({ min: 5, max: 3000, noNaN: true }), (left, pressureKPa) => {
        const [line, hose] = [
          { lengthM: 1.5, boreMm: 4.93 },
          { lengthM: 0.4, boreMm: 4 },
        ]
        const narrowed = { ...hose, boreMm: hose.boreMm * Math.max(left, 0.1) }
        const { mlPerMin } = answer('flow', { segments: [line, narrowed], pressureKPa })
        const { effectiveBoreMm } = answer('restriction', { segments: [line, hose], pressureKPa, mlPerMin })
        expect((effectiveBoreMm ?? 0) / narrowed.boreMm).toBeCloseTo(1, 6)
      }),
    )
  })

  test('water from the boiling point it gives, at any height', () => {
    fc.assert(
      fc.property(share, fc.integer({ min: 0, max: 3000 }), (part, heightM) => {
        const { boilingC } = answer('boiling-point', { waterPct: part * 8, heightM })
        expect(answer('water-from-boiling', { boilingC, heightM }).waterPct).toBeCloseTo(part * 8, 6)
      }),
    )
  })
})

test('flow runs back where the source stands lower than the pressure lifts, as fast as it would run out', () => {
  const out = answer('flow', { pressureKPa: 0, headM: 2 }).mlPerMin ?? 0
  expect(answer('flow', { pressureKPa: 0, headM: -2 }).mlPerMin).toBeCloseTo(-out, 9)
})

describe('forecast', () => {
  const rising = (perYear: number) =>
    [0, 1, 2, 3].map((year) => ({ date: `202${year}-01-01`, waterPct: 8 * (1 - Math.exp(-perYear * year)) }))
  const forecast = (changes: Record<string, unknown>) =>
    answer('moisture-forecast', { today: '2023-02-01', limitPct: 4, ...changes }) as unknown as Record<
      string,
      string
    >

  test('readings on one curve are due where the curve meets the limit: 4 of 8 % at ln 2 over the rise', () => {
    const due = forecast({ readings: rising(0.15) })
    expect(due.basis).toBe('fitted')
    const years = (Date.parse(due.dueLikely ?? '') - Date.parse('2020-01-01')) / 365.25 / 864e5
    // The usual rise counts beside four readings of a meter: a quarter of a year here.
    expect(Math.abs(years - Math.LN2 / 0.15)).toBeLessThan(0.3)
  })

  test('one bad reading in five does not carry it off by more than half a year', () => {
    const readings = [...rising(0.15), { date: '2021-07-01', waterPct: 4.5 }]
    const days = (each: { date: string; waterPct: number }[]) =>
      Date.parse(forecast({ readings: each }).dueLikely ?? '') / 864e5
    expect(Math.abs(days(readings) - days(rising(0.15)))).toBeLessThan(183)
  })

  test('two readings, or three within a month, are no rise: the default, and said so', () => {
    expect(forecast({ readings: rising(0.15).slice(0, 2) }).basis).toBe('default')
    const close = ['01', '10', '20'].map((day) => ({ date: `2023-01-${day}`, waterPct: 2 }))
    expect(forecast({ readings: close }).basis).toBe('default')
  })

  test('the range is in order, never before today, and a limit already passed is due today', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 7, noNaN: true }), { minLength: 1, maxLength: 6 }),
        (waters) => {
          const readings = waters.map((waterPct, i) => ({ date: `20${16 + i}-05-01`, waterPct }))
          const { dueEarliest = '', dueLikely = '', dueLatest = '' } = forecast({ readings })
          expect('2023-02-01' <= dueEarliest && dueEarliest <= dueLikely && dueLikely <= dueLatest).toBe(true)
        },
      ),
    )
    const past = forecast({ readings: [{ date: '2023-01-30', waterPct: 6 }] })
    expect(past).toMatchObject({ dueEarliest: '2023-02-01', dueLatest: '2023-02-01' })
  })
})

describe('what has no unit does not change with the units', () => {
  const positive = (min: number, max: number) => fc.double({ min, max, noNaN: true })
  test('Reynolds number and ρ·g·r²/σ of a bore given in inches, volumes and strokes counted in ounces', () => {
    fc.assert(
      fc.property(positive(1, 12), positive(1, 500), positive(1, 50), (boreMm, mlPerMin, mm2PerS) => {
        const again = (quantity: 'length' | 'flow' | 'volume', value: number, unit: string) =>
          toMetric(quantity, fromMetric(quantity, value, unit), unit)
        const boreAgain = again('length', boreMm, 'in')
        const number = (mm: number) => answer('bubble-sticks', { boreMm: mm }).number ?? 0
        expect(number(boreAgain) / number(boreMm)).toBeCloseTo(1, 9)
        const reynolds = (mm: number, flow: number) => reynoldsNumber(flow, mm, mm2PerS)
        expect(
          reynolds(boreAgain, again('flow', mlPerMin, 'fl oz/min')) / reynolds(boreMm, mlPerMin),
        ).toBeCloseTo(1, 9)
        const ounces = fromMetric('volume', mlPerMin, 'fl oz')
        expect(answer('purge', { volumeMl: ounces }).volumes).toBeCloseTo(
          answer('purge', { volumeMl: mlPerMin }).volumes ?? 0,
          9,
        )
      }),
    )
  })
})

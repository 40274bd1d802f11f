import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { demoNames, demoVehicle } from '~test/worlds/demo-vehicles'
import { vehicleFrom } from '~test/worlds/vehicles'
import { fact } from '../base/decision'
import { makePlan } from '../plan/plan'
import { shopSchema, workSchema } from '../plan/request'
import { largestStrokeMl } from '../plan/top-up-every'
import { showIn } from '../units/show'
import { metricUnits, type Units, usUnits } from '../units/units'
import { examples } from '../vehicle/examples'
import { levelDrop } from '../vehicle/level-drop'
import { routedBleeders } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import { hasWords, sayEnglish, sayMetric } from '../words'
import { benchPageOf, benchPages } from './index'
import type { OldFluidResult } from './old-fluid'
import {
  addressOf,
  type BenchPage,
  fieldFact,
  hintFact,
  optionFact,
  pageFact,
  questionFact,
  type Typed,
  typedFrom,
  workBench,
} from './page'

const nowhere = () => null
const example = (page: BenchPage, units: Units = metricUnits) => typedFrom(page, nowhere, {}, units)
const pageOf = (id: string) => {
  const page = benchPageOf(id)
  if (!page) throw new Error(`no page ${id}`)
  return page
}
const worked = (id: string, changes: Typed = {}) => {
  const page = pageOf(id)
  const result = workBench(page, { ...example(page), ...changes }, metricUnits)
  if (!result.ok) throw new Error(JSON.stringify(result.faults))
  return result
}
const faultsOf = (id: string, changes: Typed, units: Units = metricUnits) => {
  const page = pageOf(id)
  const result = workBench(page, { ...example(page, units), ...changes }, units)
  return result.ok ? [] : result.faults
}

function numbersIn(value: unknown): number[] {
  if (typeof value === 'number') return [value]
  return value !== null && typeof value === 'object' ? Object.values(value).flatMap(numbersIn) : []
}

describe.each(benchPages.map((page) => [page.id, page] as const))('%s', (id, page) => {
  test('its own example is answered, in a sentence without a bare NaN', () => {
    const { result, values } = worked(id)
    expect(numbersIn(result).every(Number.isFinite)).toBe(true)
    expect(sayMetric(page.says(result, values))).not.toMatch(/NaN|undefined|Infinity/)
  })

  test('all that it shows has words, and none of them names a unit that its reader does not use', () => {
    const says = sayEnglish(showIn(usUnits))
    const { result, values, reasons } = worked(id)
    const fields = Object.entries(page.fields).flatMap(([name, field]) => [
      fieldFact(id, name, field),
      hintFact(id, name, field) ?? [],
      field.kind === 'choice' && !field.named
        ? field.options.map((each) => optionFact(id, name, field, each))
        : [],
    ])
    const about = page.about.flatMap((each) =>
      ['formula', 'source', 'limits'].map((part) => fact(`about-${each}-${part}`)),
    )
    const all = [pageFact(id), questionFact(id), ...fields.flat(), page.says(result, values), ...reasons]
    for (const each of [...all, ...about]) expect(hasWords(each.code), each.code).toBe(true)
    for (const each of all) expect(says(each)).not.toMatch(/\d\s?(kPa|°C|mL\/min|km|N·m)\b/)
  })

  test('every demo vehicle gives it inputs that it answers', () => {
    for (const name of demoNames) {
      const choice = (field: string) => String(page.fields[field]?.initial)
      const start = page.startFrom(demoVehicle(name), choice) as Typed
      const result = workBench(page, typedFrom(page, nowhere, start, metricUnits), metricUnits)
      expect({ name, faults: result.ok ? [] : result.faults }).toEqual({ name, faults: [] })
    }
  })

  test('whoever opens the address sees the same result, in whatever units they see and typed it', () => {
    const inUs = example(page, usUnits)
    const address = addressOf(page, inUs, usUnits)
    const reopened = typedFrom(page, (name) => address[name] ?? null, {}, metricUnits)
    const [typedInUs, seenInMetric] = [workBench(page, inUs, usUnits), workBench(page, reopened, metricUnits)]
    const numbers = (each: typeof typedInUs) => (each.ok ? numbersIn(each.values) : [])
    expect(numbers(seenInMetric).length).toBeGreaterThan(0)
    // A field shows five figures.
    for (const [i, value] of numbers(seenInMetric).entries())
      expect(Math.abs(value - (numbers(typedInUs)[i] ?? Number.NaN))).toBeLessThan(
        1e-4 * Math.abs(value) + 1e-9,
      )
  })

  test('whatever is typed, finite numbers or a fault at a field it has come out (2 000)', () => {
    const text = fc.oneof(
      fc.constantFrom(
        '',
        '0',
        '-1',
        '1e5',
        'abc',
        '15 psi',
        '3,1',
        '0.0001',
        '999999999',
        '40 21, 150',
        '1 2; 3 4',
        '5 5 5',
      ),
      fc.double({ min: -10, max: 5000, noNaN: true }).map((value) => value.toFixed(3)),
      fc.string({ maxLength: 8 }),
    )
    fc.assert(
      fc.property(fc.dictionary(fc.constantFrom(...Object.keys(page.fields)), text), (changes) => {
        const result = workBench(page, { ...example(page), ...changes }, metricUnits)
        if (result.ok)
          for (const number of numbersIn(result.result)) expect(Number.isFinite(number)).toBe(true)
        else for (const { path } of result.faults) expect(['', ...Object.keys(page.fields)]).toContain(path)
      }),
      { numRuns: 2000, seed: 5 },
    )
  })
})

test('a fault stands at its field, with bounds in the units that are typed', () => {
  expect(faultsOf('boiling', { waterPct: 'wet' })).toEqual([
    { path: 'waterPct', message: 'Give a number, like 3.1 or 3,1.' },
  ])
  expect(faultsOf('temperature', { tempC: '500' }, usUnits)[0]).toEqual({
    path: 'tempC',
    message: 'Give -4 to 122 °F.',
  })
  expect(faultsOf('boiling', { dryC: '265' })[0]?.path).toBe('wetC')
  expect(faultsOf('sheet', { levelMl: '100' })[0]?.path).toBe('levelMl')
})

test('what is not asked cannot stop it: a boiling point typed wrong while water was measured', () => {
  expect(faultsOf('boiling', { boilingC: 'hot' })).toEqual([])
  expect(faultsOf('boiling', { boilingC: 'hot', kind: 'boiling' })[0]?.path).toBe('boilingC')
})

test('rows and lists are typed in their reader’s units, and their faults give bounds in them', () => {
  const inUs = example(pageOf('pedal'), usUnits)
  expect(inUs.efforts).toContain('290.08 2.0472')
  const [fault] = faultsOf('pedal', { efforts: '0.01 1, 20 2, 40 3' }, usUnits)
  expect(fault?.message).toMatch(/^Give rows like 43\.5 0\.984, .*: 0\.146 to 2900\.75 psi, /)
  expect(faultsOf('old-fluid', { cornersMl: '1 two' }, usUnits)[0]?.message).toContain('fl oz')
  const boiled = { kind: 'boiling', boilingC: '500', spec: 'DOT 4' }
  expect(faultsOf('boiling', boiled, usUnits)[0]?.message).toMatch(/°F/)
})

describe('what the pages find', () => {
  test('a hose closed up on one side, freed and flowing on the other', () => {
    const { result, reasons } = worked('left-right', { rightReturn: 'drags' })
    expect(result).toMatchObject({ verdict: 'right-slow', slow: 'right', right: { return: 'closed-inside' } })
    expect(reasons.map(({ code }) => code)).toEqual(['sides-right-slow', 'return-right'])
  })

  test('what no line can pass is a fault of the input, and behind a unit no bore is worked out', () => {
    const { left } = worked('left-right').result as { left: { expectedMlPerMin: number } }
    const fourfold = (4 * left.expectedMlPerMin).toFixed(0)
    expect(faultsOf('left-right', { leftMlPerMin: fourfold })[0]?.path).toBe('leftMlPerMin')
    const behind = worked('left-right', { before: 'unit' })
    expect(behind.result).not.toHaveProperty('right.effectiveBoreMm')
    expect(behind.reasons.map(({ code }) => code)).toContain('sides-behind-unit')
    const van = pageOf('left-right').startFrom(demoVehicle('post-van-lhd'), () => 'rear')
    expect(van).toMatchObject({ before: 'unit' })
    expect(pageOf('left-right').startFrom(demoVehicle('charabanc'), () => 'rear')).toMatchObject({
      before: 'pipes',
    })
  })

  test('57 against 35 per cent of their lines: neither below half, and no more is said', () => {
    const expected = worked('left-right').result as Record<'left' | 'right', { expectedMlPerMin: number }>
    const { result, values } = worked('left-right', {
      leftMlPerMin: (0.57 * expected.left.expectedMlPerMin).toFixed(3),
      rightMlPerMin: (0.35 * expected.right.expectedMlPerMin).toFixed(3),
    })
    expect(result).toMatchObject({ verdict: 'not-below-half' })
    expect(sayMetric(pageOf('left-right').says(result, values))).toContain('neither is below half')
  })

  test('wear is each brake’s own as check in has it: drums that adjust themselves have none', () => {
    const wear = (vehicle: Vehicle) => {
      const start = pageOf('sheet').startFrom(vehicle, () => '') as Typed
      const { wearMl } = worked('sheet', start).result as { wearMl: number }
      return [wearMl, levelDrop(vehicle, {}, undefined).value.expectedMl] as const
    }
    for (const name of demoNames) {
      const [sheet, checkIn] = wear(demoVehicle(name))
      expect(sheet).toBeCloseTo(checkIn, 9)
    }
    expect(wear(vehicleFrom(structuredClone(examples['chapel-saloon']?.file)))[0]).toBe(0)
    expect(wear(demoVehicle('post-van-lhd'))[0]).toBeGreaterThan(5)
  })

  test('no stroke is counted that ends below MIN, of whatever vehicle', () => {
    for (const name of demoNames) {
      const vehicle = demoVehicle(name)
      const start = pageOf('sheet').startFrom(vehicle, () => '') as Typed
      const { strokes } = worked('sheet', start).result as { strokes: number }
      const [reservoir] = partsOf(vehicle, 'reservoir')
      const { maxMl = 0, minMl = 0, id = '' } = reservoir ?? {}
      expect(maxMl - strokes * largestStrokeMl(vehicle, id)).toBeGreaterThanOrEqual(minMl)
    }
  })

  test('speed against temperature takes every bore of the run: the hose at its end too', () => {
    const vehicle = demoVehicle('post-van-lhd')
    const start = pageOf('temperature').startFrom(vehicle, () => '') as { run: string }
    const longest = routedBleeders(vehicle)
      .flatMap(({ route }) => route ?? [])
      .reduce((a, b) => (b.lengthM > a.lengthM ? b : a))
    const segments = longest.lines.flatMap((line) => line.segments)
    const pieces = start.run.split(', ').map((each) => each.split(' ').map(Number))
    expect(pieces).toEqual(segments.map(({ lengthM, boreMm }) => [lengthM, boreMm]))
    const tighter = worked('temperature', { run: `${start.run}, 0.2 1.2` }).result as { mlPerMin: number }
    expect(tighter.mlPerMin).toBeLessThan((worked('temperature', start).result as typeof tighter).mlPerMin)
  })

  test('a side that runs exactly as its line and bleeder predict has its whole bore left', () => {
    const { left } = worked('left-right').result as { left: { expectedMlPerMin: number } }
    const leftMlPerMin = left.expectedMlPerMin.toFixed(6)
    const again = worked('left-right', { leftMlPerMin }).result as { left: { effectiveBoreMm: number } }
    expect(again.left.effectiveBoreMm).toBeCloseTo(3.2, 4)
  })

  test('the same flows measured roughly leave it open', () => {
    const flows = { leftMlPerMin: '150', rightMlPerMin: '45' }
    expect(worked('left-right', { ...flows, errorPct: '3' }).result).toMatchObject({ verdict: 'right-slow' })
    expect(worked('left-right', { ...flows, errorPct: '30' }).result).toMatchObject({
      verdict: 'cannot-tell',
    })
  })

  test('pouring what it asks for leaves exactly the target, and a cleaner reservoir asks for less', () => {
    const { bleedMl } = worked('old-fluid').result as { bleedMl: number }
    const poured = worked('old-fluid', { pouredMl: bleedMl.toFixed(3) }).result as {
      atPoured: { outletPct: number }
    }
    expect(poured.atPoured.outletPct).toBeCloseTo(5, 3)
    expect((worked('old-fluid', { drawToMl: '0' }).result as { bleedMl: number }).bleedMl).toBeLessThan(
      bleedMl,
    )
  })

  test('old fluid from a vehicle is the plan of that vehicle: amounts, rinse and total (every example, both ways)', () => {
    const page = benchPageOf('old-fluid')
    for (const { file } of Object.values(examples)) {
      const vehicle = vehicleFrom(structuredClone(file))
      const reservoirs = partsOf(vehicle, 'reservoir')
      if (reservoirs.length !== 1) continue
      for (const [kept, method] of [
        ['machine', 'pressure'],
        ['hand', 'vacuum'],
      ] as const) {
        const plan = makePlan({
          vehicle,
          work: workSchema.parse({ reason: 'service' }),
          shop: shopSchema.parse({ methods: [method] }),
        })
        if (plan.verdict === 'stop') continue
        const start = page?.startFrom(vehicle, () => 'first') ?? {}
        const { needMl, rinseMl, throughMl } = worked('old-fluid', { ...start, kept } as Typed)
          .result as OldFluidResult
        const { reservoirMl, perBleederMl, keptMl = 0, rinseMl: planned } = plan.fluid
        const bled = Object.values(perBleederMl)
        expect(rinseMl).toBe(Object.values(planned)[0] ?? 0)
        // The page is given volumes to a hundredth of a millilitre.
        expect(Math.abs(needMl - reservoirMl - keptMl - bled.reduce((a, b) => a + b, 0))).toBeLessThan(0.2)
        for (const [i, ml] of bled.entries()) expect(Math.abs((throughMl[i] ?? 0) - ml)).toBeLessThan(0.1)
      }
    }
  })

  test('what stays behind on average counts the reservoir: by hand for a corner that was hardly flushed', () => {
    const left = worked('old-fluid', { cornersMl: '50', reservoirMl: '400', drawToMl: '100', pouredMl: '0' })
      .result as OldFluidResult
    const share = left.rinseMl > 0 ? (100 / (100 + left.rinseMl)) * 0.25 : 0.25
    expect(left.atPoured.meanPct).toBeCloseTo((100 * (50 + share * 400)) / 450, 6)
  })

  test('at a height fluid boils lower, and a boiling reading there is the same water', () => {
    const sea = worked('boiling', { waterPct: '2' }).result as { boilingC: number }
    const high = worked('boiling', { waterPct: '2', heightM: '2000' }).result as { boilingC: number }
    // ln(101.325/79.5) over a slope of about 0.024 a degree: by hand.
    expect(sea.boilingC - high.boilingC).toBeCloseTo(9.8, 0)
    const again = worked('boiling', { kind: 'boiling', boilingC: high.boilingC.toFixed(4), heightM: '2000' })
    expect((again.result as { waterPct: number }).waterPct).toBeCloseTo(2, 3)
  })
})

test('a pull: let go first it draws air in by an open hose, and by none where fluid or a valve stands before it', () => {
  const airIn = (changes: Typed) => (worked('pull', changes).result as { airInMl: number }).airInMl
  expect(airIn({})).toBeLessThan(1e-6)
  expect(airIn({ end: 'release-first' })).toBeGreaterThan(0.1)
  expect(airIn({ end: 'release-first', hose: 'under-fluid' })).toBeLessThan(1e-6)
  expect(airIn({ end: 'release-first', hose: 'check-valve' })).toBeLessThan(1e-6)
})

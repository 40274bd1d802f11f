import { describe, expect, test } from 'vitest'
import { sayMetric } from '../../words'
import { type FluidSpec, fluidSpecs } from './index'
import { suits } from './suits'

const wanted = (spec: FluidSpec, isoClass?: string, alsoAllowed: FluidSpec[] = []) => ({
  spec,
  alsoAllowed,
  isoClass,
})

describe('“up” is not one scale (limits of FMVSS No. 116 and ISO 4925, recalled)', () => {
  test.each([
    ['DOT 4', 'DOT 3', 'worse', /−40 °C 1800 against 1500/],
    ['DOT 5.1', 'DOT 4', 'as-good', undefined],
    ['DOT 4 LV', 'DOT 4', 'as-good', undefined],
    ['DOT 4 LV', 'DOT 5.1', 'worse', /dry boiling point 250 °C against 260 °C/],
    ['DOT 5.1', 'DOT 4 LV', 'worse', /−40 °C 900 against 750/],
    ['DOT 3', 'DOT 4', 'worse', /wet boiling point 140 °C against 155 °C/],
    ['DOT 5', 'DOT 5.1', 'never', /silicone where seals and fluid are glycol/],
    ['mineral', 'DOT 4', 'never', /mineral/],
    ['DOT 4', 'mineral', 'never', /glycol/],
  ] as const)('%s where %s is called for: %s', (candidate, spec, value, says) => {
    const judged = suits(candidate, wanted(spec))
    expect(judged.value).toBe(value)
    if (says) expect(judged.worse.map(sayMetric).join('; ')).toMatch(says)
  })
  test('the maker’s word lets in what is worse, and never another base', () => {
    expect(suits('DOT 4', wanted('DOT 3', undefined, ['DOT 4'])).value).toBe('allowed')
    expect(suits('DOT 5', wanted('DOT 4', undefined, ['DOT 5'])).value).toBe('never')
  })
  test('a class of ISO 4925 asks for more than the specification alone', () => {
    expect(suits('DOT 5.1', wanted('DOT 4', '6')).value).toBe('worse')
    expect(suits('DOT 4 LV', wanted('DOT 4', 'class 6')).value).toBe('as-good')
  })
  test('what is called for suits itself', () => {
    for (const spec of fluidSpecs) expect(suits(spec, wanted(spec)).value).toBe('same')
  })
})

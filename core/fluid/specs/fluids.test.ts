import { describe, expect, test } from 'vitest'
import { fluidOf, mayMix } from './index'
import { iso4925 } from './iso-4925'

describe('limits of the standards', () => {
  test.each([
    ['DOT 3', 205, 140, 1500],
    ['DOT 4', 230, 155, 1800],
    ['DOT 5', 260, 180, 900],
    ['DOT 5.1', 260, 180, 900],
  ] as const)(
    '%s boils dry at %i and wet at %i °C at least, %i mm²/s at −40 °C at most (FMVSS No. 116, recalled)',
    (spec, dryC, wetC, coldViscosityMaxMm2PerS) => {
      expect(fluidOf(spec)).toMatchObject({ dryC, wetC, coldViscosityMaxMm2PerS })
    },
  )

  test.each([
    ['3', 205, 140, 1500],
    ['4', 230, 155, 1500],
    ['5-1', 260, 180, 900],
    ['6', 250, 165, 750],
    ['7', 260, 180, 750],
  ] as const)(
    'class %s: %i dry, %i wet, %i mm²/s at −40 °C (ISO 4925:2020, recalled)',
    (id, dryC, wetC, coldViscosityMaxMm2PerS) => {
      expect(iso4925[id]).toEqual({ dryC, wetC, coldViscosityMaxMm2PerS })
    },
  )

  test('the low-viscosity spec is ISO class 6', () => {
    expect(fluidOf('DOT 4 LV')).toMatchObject(iso4925['6'])
  })
})

test('glycol fluids mix with each other, silicone and mineral oil with nothing else (common practice)', () => {
  expect(mayMix('DOT 3', 'DOT 5.1')).toBe(true)
  expect(mayMix('DOT 5', 'DOT 5.1')).toBe(false)
  expect(mayMix('mineral', 'DOT 4')).toBe(false)
  expect(mayMix('DOT 5', 'DOT 5')).toBe(true)
})

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { tidyVin, vinCheckDigit, vinWarning } from './vin'

describe('check digit (49 CFR 565.15, recalled; sums by hand)', () => {
  test('seventeen ones: the weights add up to 89, and 89 leaves 1', () => {
    expect(vinCheckDigit('11111111111111111')).toBe('1')
    expect(vinWarning('11111111111111111')).toBeUndefined()
  })

  test('remainder by 11, ten written X', () => {
    // 2 at the first place weighs 16, 3 at the last place weighs 6: 22 leaves 0; with 5 at the last, 26 leaves 4.
    expect(vinCheckDigit('20000000000000003')).toBe('0')
    expect(vinCheckDigit('20000000000000005')).toBe('4')
    // 5 at the last place alone: 10.
    expect(vinCheckDigit('00000000000000005')).toBe('X')
  })

  test('letters count as 49 CFR 565.15 lists them: A 1, H 8, J 1, N 5, P 7, R 9, S 2, Z 9', () => {
    const lastWeighsTwo = (letter: string) => Number(vinCheckDigit(`0000000000000000${letter}`))
    expect(['A', 'H', 'J', 'P', 'R', 'S', 'Z'].map(lastWeighsTwo)).toEqual([2, 5, 2, 3, 7, 4, 7])
    expect(vinCheckDigit('0000000000000000N')).toBe('X')
  })
})

describe('warnings', () => {
  test('one wrong sign is noticed unless it counts the same', () => {
    const signs = [...'ABCDEFGHJKLMNPRSTUVWXYZ0123456789']
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...signs), { minLength: 17, maxLength: 17 }),
        fc.nat({ max: 16 }).filter((at) => at !== 8),
        (drawn, at) => {
          const vin = drawn.map((sign, i) => (i === 8 ? vinCheckDigit(drawn.join('')) : sign)).join('')
          expect(vinWarning(vin)).toBeUndefined()
          const slipped = vin.slice(0, at) + (vin[at] === '1' ? '2' : '1') + vin.slice(at + 1)
          // Every weight is below 11 and not 0 there, so two values that differ leave different remainders.
          if (!'AJ'.includes(vin[at] ?? '')) expect(vinWarning(slipped)?.code).toBe('vin-check-digit')
        },
      ),
    )
  })

  test('too short, or a letter that does not occur', () => {
    expect(vinWarning('12345')?.code).toBe('vin-length')
    expect(vinWarning('O1111111111111111')?.code).toBe('vin-letters')
    expect(vinWarning('')).toBeUndefined()
  })

  test('blanks and small letters do not matter', () => expect(tidyVin(' ab-c 1 ')).toBe('ABC1'))
})

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { fluidSpecs } from '../fluid/specs'
import { codeFrom, readCode } from './code'
import type { ShelfContainer } from './container'
import { draw } from './draw'
import { mayNotPour } from './may-pour'
import { openedRuleIds } from './opened-rule'
import { openFirst, reserve } from './reserve'
import { toBuy } from './to-buy'
import { drumFullOn } from './waste'

const can = (more: Partial<ShelfContainer> = {}): ShelfContainer => ({
  code: 'F000000K',
  product: 'Isle blue',
  spec: 'DOT 4',
  batch: '7',
  sizeMl: 1000,
  leftMl: 1000,
  reservedMl: 0,
  ...more,
})
const pouring = { spec: 'DOT 4', alsoAllowed: [], rule: 'thirty-days', today: '2026-05-31' } as const

describe('a label’s code', () => {
  const numbers = fc.array(fc.nat(1000), { minLength: 6, maxLength: 6 })
  test('is read back in small letters, with spaces and dashes', () => {
    fc.assert(
      fc.property(numbers, (from) => {
        const code = codeFrom(from)
        expect(readCode(` ${code.slice(0, 4).toLowerCase()}-${code.slice(4)} `)).toBe(code)
      }),
    )
  })

  test('one wrong sign, or two that changed places, is never another good code', () => {
    const signs = fc.constantFrom(...'0123456789ABCDEFGHJKMNPQRSTVWXY')
    fc.assert(
      fc.property(numbers, fc.integer({ min: 1, max: 7 }), signs, (from, at, sign) => {
        const code = codeFrom(from)
        const wrong = code.slice(0, at) + sign + code.slice(at + 1)
        if (wrong !== code) expect(readCode(wrong)).toBeUndefined()
        if (at < 6 && code[at] !== code[at + 1]) {
          const swapped = code.slice(0, at) + code[at + 1] + code[at] + code.slice(at + 2)
          expect(readCode(swapped)).toBeUndefined()
        }
      }),
    )
  })
})

describe('what may be poured', () => {
  test('never another base, whatever the rest', () => {
    fc.assert(
      fc.property(fc.constantFrom(...fluidSpecs), fc.constantFrom(...fluidSpecs), (holds, wants) => {
        const refused = mayNotPour(can({ spec: holds }), { ...pouring, spec: wants })
        expect(refused?.code).toBe(holds === wants ? undefined : 'wrong-container')
      }),
    )
    expect(mayNotPour(can({ spec: 'DOT 5' }), pouring)?.params?.mixes).toBe(false)
    expect(mayNotPour(can({ spec: 'DOT 5.1' }), { ...pouring, alsoAllowed: ['DOT 5.1'] })).toBeUndefined()
  })

  test.each([
    ['thirty-days', '2026-05-01', undefined],
    ['thirty-days', '2026-04-30', 'opened-too-long'],
    ['same-day', '2026-05-31', undefined],
    ['same-day', '2026-05-30', 'opened-too-long'],
    ['same-job', '2026-05-31', 'opened-too-long'],
  ] as const)('opened glycol under the rule %s, opened %s (common practice)', (rule, openedOn, code) => {
    expect(mayNotPour(can({ openedOn }), { ...pouring, rule })?.code).toBe(code)
  })

  test('the job that opened it goes on with it; a sealed one and silicone have no time', () => {
    const opened = can({ openedOn: '2026-05-30' })
    expect(mayNotPour(opened, { ...pouring, rule: 'same-job', openedHere: [opened.code] })).toBeUndefined()
    for (const rule of openedRuleIds) {
      expect(mayNotPour(can(), { ...pouring, rule })).toBeUndefined()
      const silicone = can({ spec: 'DOT 5', openedOn: '2020-01-01' })
      expect(mayNotPour(silicone, { ...pouring, spec: 'DOT 5', rule })).toBeUndefined()
    }
  })
})

const shelf = fc.array(
  fc.record({
    sizeMl: fc.integer({ min: 100, max: 1000 }),
    left: fc.double({ min: 0, max: 1, noNaN: true }),
    reserved: fc.double({ min: 0, max: 1, noNaN: true }),
    opened: fc.boolean(),
  }),
  { maxLength: 8 },
)
const cans = (list: { sizeMl: number; left: number; reserved: number; opened: boolean }[]) =>
  list.map(({ sizeMl, left, reserved, opened }, i) =>
    can({
      code: `C${i}`,
      sizeMl,
      leftMl: opened ? sizeMl * left : sizeMl,
      reservedMl: opened ? sizeMl * left * reserved : 0,
      openedOn: opened ? `2026-05-0${i + 1}` : undefined,
    }),
  )

describe('what is held back for a plan', () => {
  test('is never more than is free, never more than the need, and all of it where the shelf reaches', () => {
    fc.assert(
      fc.property(shelf, fc.double({ min: 0, max: 3000, noNaN: true }), (list, needMl) => {
        const containers = cans(list)
        const held = reserve(needMl, containers)
        const sum = held.reduce((total, { ml }) => total + ml, 0)
        const free = containers.reduce((total, { leftMl, reservedMl }) => total + leftMl - reservedMl, 0)
        expect(sum).toBeLessThanOrEqual(needMl + 1e-6)
        // Sealed ones are counted down to the whole millilitre.
        expect(sum).toBeGreaterThanOrEqual(Math.min(needMl, free) - containers.length)
        expect(new Set(held.map(({ code }) => code)).size).toBe(held.length)
        for (const { code, ml } of held) {
          const from = containers.find((each) => each.code === code)
          expect(ml).toBeLessThanOrEqual((from?.leftMl ?? 0) - (from?.reservedMl ?? 0) + 1e-6)
        }
      }),
    )
  })

  test('comes from what is open before a sealed one is opened, and then from what leaves the least over', () => {
    const opened = can({ code: 'OPEN', leftMl: 300, openedOn: '2026-05-20' })
    const [half, litre] = [can({ code: 'HALF', sizeMl: 500, leftMl: 500 }), can({ code: 'LITRE' })]
    expect(reserve(250, [litre, opened, half])).toEqual([{ code: 'OPEN', ml: 250 }])
    expect(reserve(700, [litre, opened, half])).toEqual([
      { code: 'OPEN', ml: 300 },
      { code: 'HALF', ml: 400 },
    ])
    expect(
      openFirst([litre, opened, can({ code: 'OLDER', openedOn: '2026-05-02' })]).map(({ code }) => code),
    ).toEqual(['OLDER', 'OPEN', 'LITRE'])
  })
})

test('millilitres are conserved over any sequence of pours and pours taken back, and no container goes below nothing', () => {
  const act = fc.record({
    pour: fc.boolean(),
    from: fc.nat(2),
    ml: fc.double({ min: 0, max: 700, noNaN: true }),
  })
  fc.assert(
    fc.property(fc.array(act, { maxLength: 40 }), (acts) => {
      const left = [1000, 500, 250]
      const drawn: { code: string; ml: number }[] = []
      let poured = 0
      let short = 0
      for (const { pour, from, ml } of acts) {
        if (pour) {
          const got = draw(left[from] ?? 0, ml)
          left[from] = (left[from] ?? 0) - got.drawnMl
          drawn.push({ code: String(from), ml: got.drawnMl })
          poured += ml
          short += got.shortMl
        } else {
          const last = drawn.pop()
          if (!last) continue
          left[Number(last.code)] = (left[Number(last.code)] ?? 0) + last.ml
          poured -= last.ml
        }
      }
      const inCars = drawn.reduce((sum, { ml }) => sum + ml, 0)
      expect(left.reduce((sum, ml) => sum + ml, 0) + inCars).toBeCloseTo(1750, 6)
      expect(poured).toBeCloseTo(inCars + short, 6)
      expect(Math.min(...left)).toBeGreaterThanOrEqual(-1e-9)
    }),
  )
})

test('a drum that took 6 L in 60 days of 10 L has room for 40 more; full it is full today; one amount says nothing', () => {
  const amounts = [
    { on: '2026-04-01', ml: 3000 },
    { on: '2026-05-01', ml: 3000 },
  ]
  expect(drumFullOn(amounts, 10_000, '2026-05-31')).toBe('2026-07-10')
  expect(drumFullOn(amounts, 6000, '2026-05-31')).toBe('2026-05-31')
  expect(drumFullOn(amounts.slice(0, 1), 10_000, '2026-05-31')).toBeUndefined()
})

test('what is booked in against what is on the shelf: 1700 mL needed, 400 there, is 1500 to buy in 500 and 1000', () => {
  const needs = [
    { spec: 'DOT 4', ml: 900 },
    { spec: 'DOT 4', ml: 800 },
    { spec: 'DOT 3', ml: 100 },
  ] as const
  expect(
    toBuy(
      needs,
      [
        { spec: 'DOT 4', ml: 400 },
        { spec: 'DOT 3', ml: 500 },
      ],
      [500, 1000],
    ),
  ).toEqual([
    {
      spec: 'DOT 4',
      needMl: 1700,
      onShelfMl: 400,
      shortMl: 1300,
      buy: [
        { ml: 1000, count: 1 },
        { ml: 500, count: 1 },
      ],
    },
    { spec: 'DOT 3', needMl: 100, onShelfMl: 500, shortMl: 0, buy: [] },
  ])
})

import { expect, test } from 'vitest'
import { testerOf } from '~core/fluid/testers'
import { firstDials, kinds, shown } from './instrument'

test('the stand-in shows what fluid of its dials gives, in the steps of its display: DOT 4 with 3.7 % boils at 155 °C', () => {
  const of = (kind: (typeof kinds)[number], waterPct: number) => shown({ ...firstDials, kind, waterPct })
  expect(of('boiling-sampler', 3.7)).toBe(155)
  expect(of('percent-meter', 2.44)).toBe(2.4)
  expect([0.1, 0.6, 1.6, 3.2, 9].map((waterPct) => of('banded-pen', waterPct))).toEqual([0, 0.5, 2, 3, 4])
})

test('whatever the dials, what it shows can be read by its own kind of tester', () => {
  for (const kind of kinds)
    for (const waterPct of [0, 1, 3, 6])
      for (const off of [-0.4, 0, 0.4])
        expect(() =>
          testerOf(kind).tell(shown({ ...firstDials, kind, waterPct, off }), {
            pair: { dryC: 230, wetC: 155 },
            heightM: 0,
          }),
        ).not.toThrow()
})

import fc from 'fast-check'
import { expect, test } from 'vitest'
import { pushPlug } from './plug-front'

const pieces = [
  { key: 'shared', ml: 10 },
  { key: 'branch', ml: 20 },
]

test('15 mL into 10 mL and then 20 mL fill the first piece and a quarter of the second', () => {
  expect(pushPlug(pieces, {}, 15)).toEqual({ shared: 10, branch: 5 })
})

test('a shared piece is filled once: what goes the other way afterwards begins new at its own branch', () => {
  const first = pushPlug(pieces, {}, 15)
  const other = [pieces[0] as (typeof pieces)[0], { key: 'other', ml: 20 }]
  expect(pushPlug(other, first, 8)).toEqual({ shared: 10, branch: 5, other: 8 })
})

test('no volume is made or lost, no piece overflows, and many small pushes are one large one', () => {
  const sizes = fc.array(fc.double({ min: 0, max: 50, noNaN: true }), { minLength: 1, maxLength: 6 })
  fc.assert(
    fc.property(
      sizes,
      fc.array(fc.double({ min: 0, max: 40, noNaN: true }), { maxLength: 8 }),
      (mls, pushes) => {
        const line = mls.map((ml, i) => ({ key: String(i), ml }))
        const held = mls.reduce((sum, ml) => sum + ml, 0)
        const pushed = pushes.reduce((sum, ml) => sum + ml, 0)
        let front: Record<string, number> = {}
        for (const ml of pushes) front = pushPlug(line, front, ml)
        const filled = Object.values(front).reduce((sum, ml) => sum + ml, 0)
        expect(filled).toBeCloseTo(Math.min(held, pushed), 6)
        for (const { key, ml } of line) expect(front[key] ?? 0).toBeLessThanOrEqual(ml)
        const once = pushPlug(line, {}, pushed)
        for (const { key } of line) expect(front[key] ?? 0).toBeCloseTo(once[key] ?? 0, 6)
      },
    ),
  )
})

import fc from 'fast-check'
import { expect, test } from 'vitest'
import { massBalance } from './mass-balance'

const moved = { inMl: 500, outMl: 380, spilledMl: 20, unaccountedMl: 0 }

test('by hand: 500 in, 380 in the bottle and 20 on the floor leave 100 in the system', () => {
  expect(massBalance(moved)).toEqual({ heldMl: 100, gapShare: 0, wantsAnswer: false })
})

test('a tenth of what moved that nobody accounts for wants an answer; a drop nobody could read does not (common practice)', () => {
  const asks = (unaccountedMl: number, inMl = 500) =>
    massBalance({ ...moved, inMl, unaccountedMl }).wantsAnswer
  expect([60, -60, 50, 40].map((ml) => asks(ml))).toEqual([true, true, false, false])
  expect(massBalance({ inMl: 0, outMl: 0, spilledMl: 0, unaccountedMl: 120 })).toMatchObject({
    gapShare: 1,
    wantsAnswer: true,
  })
  expect(massBalance({ inMl: 20, outMl: 0, spilledMl: 0, unaccountedMl: 8 }).wantsAnswer).toBe(false)
})

test('what is held is what went in less what came out, whatever the amounts', () => {
  const ml = fc.double({ min: 0, max: 20_000, noNaN: true })
  fc.assert(
    fc.property(ml, ml, ml, (inMl, outMl, spilledMl) => {
      const { heldMl, gapShare } = massBalance({ inMl, outMl, spilledMl, unaccountedMl: 0 })
      expect(heldMl + outMl + spilledMl).toBeCloseTo(inMl, 6)
      expect(gapShare).toBe(0)
    }),
  )
})

import { expect, test } from 'vitest'
import { dayNumber, isoDate } from '../../base/day'
import { Chance } from '../../base/random'
import { moistureForecast } from './forecast'

const BEGAN = dayNumber('2015-01-01')
const straight = (pct: number) => -Math.log(1 - pct / 8)

type Case = { readings: number; everyDays: number; errorPct: number; fresh: boolean; limitPct: number }

/** Vehicles whose water rises as common practice has it, read with this error: how many come to the limit within the range. */
function covered({ readings, everyDays, errorPct, fresh, limitPct }: Case, stated = errorPct) {
  const chance = new Chance(5)
  const off = (ninety: number) => (ninety / 1.645) * chance.normal()
  let [inside, all, days] = [0, 0, 0]
  for (let i = 0; i < 1500; i++) {
    // 1 to 2 % in the first year, nine in ten of them, from 0.2 ± 0.2 %.
    const perDay = straight(Math.max(0.4, 1.5 + off(0.5))) / 365.25
    const from = straight(Math.max(0, 0.2 + off(0.2)))
    const taken = Array.from({ length: readings }, (_, k) => {
      const day = (k + 1) * everyDays
      const waterPct = Math.max(0, 8 * (1 - Math.exp(-(from + perDay * day))) + off(errorPct))
      return { date: isoDate(BEGAN + day), waterPct, errorPct: stated }
    })
    const today = BEGAN + readings * everyDays
    const truly = BEGAN + (straight(limitPct) - from) / perDay
    if (truly <= today) continue
    const due = moistureForecast({
      readings: taken,
      limitPct,
      today: isoDate(today),
      ...(fresh && { freshOn: isoDate(BEGAN) }),
    })
    // What was read at the limit is due by that reading: nothing is foretold.
    if (due.readOn !== undefined) continue
    const [earliest, latest] = [dayNumber(due.dueEarliest), dayNumber(due.dueLatest)]
    all++
    days += latest - earliest
    if (earliest <= truly && truly <= latest + 1) inside++
  }
  return { share: inside / all, days: days / all }
}

test.each([
  { readings: 1, everyDays: 180, errorPct: 0.5, fresh: true, limitPct: 3 },
  { readings: 2, everyDays: 120, errorPct: 0.75, fresh: true, limitPct: 3 },
  { readings: 3, everyDays: 180, errorPct: 0.5, fresh: true, limitPct: 3 },
  { readings: 6, everyDays: 90, errorPct: 0.75, fresh: true, limitPct: 3 },
  { readings: 1, everyDays: 180, errorPct: 0.75, fresh: false, limitPct: 3 },
  { readings: 4, everyDays: 150, errorPct: 0.5, fresh: false, limitPct: 3 },
  { readings: 4, everyDays: 365, errorPct: 0.5, fresh: true, limitPct: 6 },
] satisfies Case[])(
  'nine of ten come to the limit within the range it gives, and twice the error widens it: %o',
  (of) => {
    const { share, days } = covered(of)
    expect(share).toBeGreaterThan(0.85)
    expect(share).toBeLessThan(0.95)
    expect(covered(of, 2 * of.errorPct).days).toBeGreaterThan(days)
  },
)

test('readings that scatter more than their tester says widen the range by themselves', () => {
  const of = { readings: 6, everyDays: 90, errorPct: 1.5, fresh: false, limitPct: 4 }
  expect(covered(of, 0.3).days).toBeGreaterThan(1.3 * covered({ ...of, errorPct: 0.3 }, 0.3).days)
})

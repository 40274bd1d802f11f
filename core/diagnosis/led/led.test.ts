import { describe, expect, test } from 'vitest'
import { hasWords } from '~core/words'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { checkOf } from '../checks'
import { ledOf } from '.'

const vehicle = vehicleFrom(carFile(fourCorners))
const judged = (check: string, measured: Record<string, number>) =>
  ledOf(check)?.judge(measured, vehicle, 'soft-pedal')?.value

/** Travel of a 23.8 mm bore at 4 : 1 with so much air and swelling. @source Boyle's law, geometry */
const efforts = (airMl: number, swellingMlPerMPa: number) =>
  Object.fromEntries(
    [200, 500, 2000, 4000].flatMap((kPa, i) => {
      const moved = airMl * (kPa / (kPa + 101.325)) + (swellingMlPerMPa * kPa) / 1000
      const cylinder = vehicle.parts.find((part) => part.type === 'master-cylinder')
      const [bore, ratio] =
        cylinder?.type === 'master-cylinder'
          ? [cylinder.chambers[0]?.boreMm ?? 0, cylinder.pedalRatio]
          : [0, 0]
      const travel = (ratio * moved * 1000) / ((Math.PI / 4) * bore ** 2)
      return [
        [`pressure${i}`, kPa],
        [`travel${i}`, travel],
      ]
    }),
  )

describe('efforts', () => {
  test('air is curved, swelling straight, and two of them tell nothing', () => {
    expect(judged('three-efforts', efforts(4, 0.5))).toBe('curved')
    expect(judged('three-efforts', efforts(0, 1.5))).toBe('straight')
    const { pressure0, travel0, pressure1, travel1 } = efforts(4, 0.5)
    expect(judged('three-efforts', { pressure0, travel0, pressure1, travel1 } as never)).toBeUndefined()
  })
})

describe('wear against what is missing', () => {
  // A 50 mm piston that stands out by 5 mm holds 9.8 mL (geometry); four of them 39 mL.
  const worn = Object.fromEntries(fourCorners.map(({ id }) => [`wear brake-${id}`, 5]))
  test.each([
    [39, 'explains'],
    [20, 'explains'],
    [120, 'does-not'],
  ])('%d mL: %s', (missing, result) => {
    expect(judged('wear-sum', { ...worn, missing })).toBe(result)
  })
})

describe('bore', () => {
  const readings = (mm: number) => ({
    'top-along': mm,
    'top-across': 12.71,
    'middle-along': 12.71,
    'middle-across': 12.71,
    'bottom-along': 12.71,
    'bottom-across': 12.71,
  })
  test('of 12.70 mm at most 12.76: one reading beyond it condemns, five say nothing yet', () => {
    expect(judged('bore', { limit: 12.76, ...readings(12.75) })).toBe('within')
    expect(judged('bore', { limit: 12.76, ...readings(12.77) })).toBe('beyond')
    const { 'top-along': _left, ...five } = readings(12.77)
    expect(judged('bore', { limit: 12.76, ...five })).toBeUndefined()
  })
})

describe('flow', () => {
  // Lines of 1.2, 2.1, 4.2 and 5 m: by the same push each passes the less the longer it is.
  const gave = (ml: Record<string, number>) =>
    ledOf('flow')?.judge(
      Object.fromEntries(Object.entries(ml).map(([id, each]) => [`ml ${id}`, each])),
      vehicle,
      'drag-one',
    )
  test('a long line that gives less is alike; half of what its own line should give is not', () => {
    expect(gave({ fl: 60, fr: 40, rl: 22, rr: 19 })?.value).toBe('even')
    expect(gave({ fl: 60, fr: 40, rl: 7, rr: 19 })).toMatchObject({ value: 'weak-one', at: 'brake-rl' })
    expect(gave({ fl: 60, fr: 40, rl: 22, rr: 0 })).toMatchObject({ value: 'none-one', at: 'brake-rr' })
    expect(gave({ fl: 0, fr: 0, rl: 0, rr: 0 })?.value).toBe('none')
    expect(gave({ fl: 60, fr: 40 })).toBeUndefined()
  })
})

test('what is measured gives results that its check has, and every field has its words', () => {
  for (const check of ['three-efforts', 'wear-sum', 'bore', 'flow']) {
    const fields = ledOf(check)?.fields(vehicle, 'soft-pedal') ?? []
    expect(fields.length).toBeGreaterThan(3)
    expect(fields.filter(({ label }) => !hasWords(label.code))).toEqual([])
    expect(checkOf(check)).toBeDefined()
  }
})

import fc from 'fast-check'
import jStat from 'jstat'
import { describe, expect, test } from 'vitest'
import { Chance } from '../../base/random'
import { cylinderMl } from '../hydraulics/cylinder'
import { bubbleRise } from './bubble-rise'
import { chiSquared99 } from './least-squares'
import { type Effort, pedalFeel } from './pedal-feel'
import { squeezedShare, trappedAir } from './trapped-air'

const cylinder = { boreMm: 23.8, pedalRatio: 4 }

/** Pedal travel of a system whose air, swelling and clearance are known. */
const travelled = (air: number, mlPerMPa: number, clearanceMl: number, kPas: readonly number[]): Effort[] =>
  kPas.map((pressureKPa) => ({
    pressureKPa,
    travelMm:
      ((air * squeezedShare(pressureKPa) + (mlPerMPa * pressureKPa) / 1000 + clearanceMl) /
        cylinderMl(cylinder.boreMm, 1)) *
      cylinder.pedalRatio,
  }))
const feel = (efforts: Effort[], travelErrorMm = 0.5, gaugeErrorPct = 3) =>
  pedalFeel({ ...cylinder, efforts, travelErrorMm, gaugeErrorPct })
/** All of them where clearance is taken up whole. */
const spread = [150, 250, 500, 2000, 4000]
const expectOpen = (efforts: Effort[], code: string) => {
  const { value, reasons } = feel(efforts)
  expect(value).toMatchObject({ air: 'cannot-tell', swelling: 'cannot-tell' })
  expect(value.airMl).toBeUndefined()
  expect(reasons[0]?.code).toBe(code)
}

describe('three efforts or more', () => {
  test('air, swelling and clearance that made the travel are found again, whatever they are', () => {
    const ml = fc.double({ min: 0, max: 8, noNaN: true })
    fc.assert(
      fc.property(ml, ml, ml, (air, swelling, clearance) => {
        const { value } = feel(travelled(air, swelling, clearance, spread))
        expect(value.airMl).toBeCloseTo(air, 6)
        expect(value.swellingMlPerMPa).toBeCloseTo(swelling, 6)
        expect(value.clearanceMl).toBeCloseTo(clearance, 6)
      }),
    )
  })

  test('3 mL of air is air and no swelling; 2 mL/MPa is swelling and no air', () => {
    expect(feel(travelled(3, 0.3, 1, spread)).value).toMatchObject({ air: 'yes', swelling: 'no' })
    expect(feel(travelled(0, 2, 0.5, spread), 0.2, 1).value).toMatchObject({ air: 'no', swelling: 'yes' })
  })

  test('a reading that is rough leaves both open, by the rule or by the gauge: cannot tell', () => {
    const open = { air: 'cannot-tell', swelling: 'cannot-tell' }
    expect(feel(travelled(1, 0.8, 1, spread), 5).value).toMatchObject(open)
    expect(feel(travelled(1, 0.8, 0, spread), 0.1, 40).value).toMatchObject(open)
  })

  test.each([
    ['two efforts', [300, 4000], 'feel-too-few'],
    ['one effort taken three times', [300, 300, 300], 'feel-too-few'],
    ['no light one', [500, 2000, 4000], 'feel-none-light'],
  ])('with %s it cannot tell, and says why', (_, kPas, code) => {
    expectOpen(travelled(3, 0.3, 1, kPas), code)
  })

  test.each([
    ['travel that falls with effort is not "no air"', [50, 47, 44, 40, 36], 'feel-below-nothing'],
    ['travel that bends the wrong way, springy at the top', [2, 3, 5, 20, 50], 'feel-no-fit'],
    ['one reading of five written down wrong', [14, 25, 60, 36, 42], 'feel-no-fit'],
  ])('%s: cannot tell', (_, travels, code) => {
    expectOpen(
      spread.map((pressureKPa, i) => ({ pressureKPa, travelMm: travels[i] ?? 0 })),
      code,
    )
  })

  test('clearance that is still being taken up at the lightest effort is not taken for air', () => {
    // 2 mL of clearance come up evenly to 100 kPa; no air at all.
    const efforts = travelled(0, 0.3, 0, spread).map(({ pressureKPa, travelMm }) => ({
      pressureKPa,
      travelMm:
        travelMm +
        ((2 * Math.min(1, pressureKPa / 100)) / cylinderMl(cylinder.boreMm, 1)) * cylinder.pedalRatio,
    }))
    expect(feel(efforts).value.air).not.toBe('yes')
  })

  test('from 0.3 to 4 MPa a millilitre of air differs by about 2 mm of pedal, from 2 to 4 MPa by 0.2 (Boyle, closed form)', () => {
    const differs = (from: number, to: number) => {
      const [light, hard] = travelled(1, 0, 0, [from, to])
      return (hard?.travelMm ?? 0) - (light?.travelMm ?? 0)
    }
    expect(differs(2000, 4000)).toBeCloseTo(0.2, 1)
    expect(differs(300, 4000)).toBeGreaterThan(2)
  })
})

describe('nine of ten lie within what it says, by the errors it was given', () => {
  /** How many of these lie within the band that is shown, and how wide it is on average. */
  function covered(travelErrorMm: number, gaugeErrorPct: number, times = 1) {
    const chance = new Chance(17)
    const between = (least: number, most: number) => least + (most - least) * chance.next()
    let [air, swelling, all, width] = [0, 0, 0, 0]
    for (let i = 0; i < 2000; i++) {
      const truth = { airMl: between(0, 4), swelling: between(0.1, 2), clearanceMl: between(0, 2) }
      const takenUpKPa = between(30, 150)
      const efforts = [60, 150, 400, 900, 2000, 4000].map((kPa) => {
        const movedMl =
          truth.airMl * squeezedShare(kPa) +
          (truth.swelling * kPa) / 1000 +
          truth.clearanceMl * Math.min(1, kPa / takenUpKPa)
        const travelMm = (movedMl / cylinderMl(cylinder.boreMm, 1)) * cylinder.pedalRatio
        return {
          pressureKPa: kPa * (1 + (gaugeErrorPct / 100 / 1.645) * chance.normal()),
          travelMm: Math.max(0, travelMm + (travelErrorMm / 1.645) * chance.normal()),
        }
      })
      const { value } = feel(efforts, travelErrorMm * times, gaugeErrorPct * times)
      if (value.airMl === undefined) continue
      all++
      width += value.airErrorMl ?? 0
      if (Math.abs(value.airMl - truth.airMl) <= (value.airErrorMl ?? 0)) air++
      if (Math.abs((value.swellingMlPerMPa ?? 0) - truth.swelling) <= (value.swellingErrorMlPerMPa ?? 0))
        swelling++
    }
    return { air: air / all, swelling: swelling / all, fitted: all / 2000, width: width / all }
  }

  test.each([
    [0.5, 3],
    [1, 1],
    [0.3, 8],
  ])('rule within %f mm, gauge within %f %%', (travelErrorMm, gaugeErrorPct) => {
    const { air, swelling, fitted, width } = covered(travelErrorMm, gaugeErrorPct)
    for (const share of [air, swelling]) {
      expect(share).toBeGreaterThan(0.85)
      expect(share).toBeLessThan(0.95)
    }
    // Sound readings are hardly ever called unfit.
    expect(fitted).toBeGreaterThan(0.97)
    expect(covered(travelErrorMm, gaugeErrorPct, 2).width).toBeGreaterThan(1.5 * width)
  })
})

test('a pedal that sinks 6 mm in half a minute lets past; one held for ten seconds says nothing', () => {
  const sinking = (sinkMm: number, heldS: number) =>
    pedalFeel({ ...cylinder, efforts: [], travelErrorMm: 0.5, gaugeErrorPct: 3, sink: { sinkMm, heldS } })
      .value.sink
  expect([sinking(6, 30), sinking(0.5, 30), sinking(2, 30), sinking(6, 10)]).toEqual([
    'yes',
    'no',
    'cannot-tell',
    'cannot-tell',
  ])
})

test('more travel is more air, and more pressure for the same travel is less', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 200, noNaN: true }),
      fc.double({ min: 1, max: 20_000, noNaN: true }),
      fc.double({ min: 1.01, max: 10, noNaN: true }),
      (extraTravelMm, pressureKPa, more) => {
        const air = (travel: number, kPa: number) =>
          trappedAir({ ...cylinder, extraTravelMm: travel, pressureKPa: kPa }).airMl
        expect(air(extraTravelMm * more, pressureKPa)).toBeGreaterThanOrEqual(air(extraTravelMm, pressureKPa))
        expect(air(extraTravelMm, pressureKPa * more)).toBeLessThanOrEqual(air(extraTravelMm, pressureKPa))
      },
    ),
  )
})

test('a bubble of 0.7 mm is within Stokes at 20 °C, one of 1.5 mm is not and says so', () => {
  const within = (bubbleMm: number) => bubbleRise({ bubbleMm, depthMm: 60, mm2PerS: 15.5 }).withinStokes
  expect([within(0.7), within(1.5)]).toEqual([true, false])
})

test('the limit a fit is tested by is χ² at 99 of 100 within one in a hundred (jStat)', () => {
  for (const freedoms of [1, 2, 3, 5, 9])
    expect(Math.abs(chiSquared99(freedoms) / jStat.chisquare.inv(0.99, freedoms) - 1)).toBeLessThan(0.01)
})

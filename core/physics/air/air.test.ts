import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { cylinderMl } from '../hydraulics/cylinder'
import { bubbleRise } from './bubble-rise'
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
const feel = (efforts: Effort[], travelErrorMm = 0.5) => pedalFeel({ ...cylinder, efforts, travelErrorMm })
const spread = [40, 150, 400, 2000, 4000]

describe('three efforts or more', () => {
  test('air, swelling and clearance that made the travel are found again, whatever they are', () => {
    const ml = fc.double({ min: 0, max: 8, noNaN: true })
    fc.assert(
      fc.property(ml, ml, ml, (air, swelling, clearance) => {
        const { value } = feel(travelled(air, swelling, clearance, spread))
        expect(value.airMl).toBeCloseTo(air, 6)
        expect(value.swellingMlPerMPa).toBeCloseTo(swelling, 6)
      }),
    )
  })

  test('3 mL of air is air and no swelling; 2 mL/MPa is swelling and no air', () => {
    expect(feel(travelled(3, 0.3, 1, spread)).value).toMatchObject({ air: 'yes', swelling: 'no' })
    expect(feel(travelled(0, 2, 1, spread), 0.2).value).toMatchObject({ air: 'no', swelling: 'yes' })
  })

  test('a reading that is rough leaves both open: cannot tell', () => {
    expect(feel(travelled(1, 0.8, 1, spread), 5).value).toMatchObject({
      air: 'cannot-tell',
      swelling: 'cannot-tell',
    })
  })

  test.each([
    ['two efforts', [300, 4000], 'feel-too-few'],
    ['one effort taken three times', [300, 300, 300], 'feel-too-few'],
    ['no light one', [500, 2000, 4000], 'feel-none-light'],
  ])('with %s it cannot tell, and says why', (_, kPas, code) => {
    const { value, reasons } = feel(travelled(3, 0.3, 1, kPas))
    expect(value).toMatchObject({ air: 'cannot-tell', swelling: 'cannot-tell' })
    expect(value.airMl).toBeUndefined()
    expect(reasons[0]?.code).toBe(code)
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

test('a pedal that sinks 6 mm in half a minute lets past; one held for ten seconds says nothing', () => {
  const sinking = (sinkMm: number, heldS: number) =>
    pedalFeel({ ...cylinder, efforts: [], travelErrorMm: 0.5, sink: { sinkMm, heldS } }).value.sink
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

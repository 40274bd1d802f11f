import { fact } from '../base/decision'
import {
  LIGHT_KPA,
  movedMl,
  type PedalFeel,
  pedalFeel,
  USUAL_GAUGE_ERROR_PCT,
} from '../physics/air/pedal-feel'
import { squeezedShare } from '../physics/air/trapped-air'
import { cylinderMl } from '../physics/hydraulics/cylinder'
import { partsOf } from '../vehicle/parts'
import { trappedAir as trappedAirCalc } from './command/trapped-air'
import { benchPage } from './page'

export type PedalResult = PedalFeel & {
  efforts: { pressureKPa: number; travelMm: number }[]
  /** What the fit says of pedal travel, and how much of it is air; empty where nothing could be fitted. */
  curve: { pressureKPa: number; travelMm: number; airMm: number }[]
}

/** Air, swelling and sink told apart by travel at several efforts. */
export const pedalBench = benchPage({
  id: 'pedal',
  fields: {
    boreMm: {
      kind: 'quantity',
      quantity: 'length',
      min: 5,
      max: 100,
      initial: 23.8,
    },
    pedalRatio: { kind: 'number', unit: '', min: 0.5, max: 20, initial: 4 },
    efforts: {
      kind: 'rows',
      columns: [
        { quantity: 'pressure', min: 1, max: 20_000 },
        { quantity: 'length', max: 400 },
      ],
      most: 12,
      example: '300 25, 2000 31',
      initial: '40 21, 150 38, 400 45, 2000 52, 4000 57',
      hint: { lightKPa: LIGHT_KPA },
    },
    travelErrorMm: {
      kind: 'quantity',
      quantity: 'length',
      min: 0.05,
      max: 20,
      initial: 0.5,
      hint: true,
    },
    gaugeErrorPct: {
      kind: 'number',
      unit: '% of it',
      min: 0,
      max: 50,
      initial: USUAL_GAUGE_ERROR_PCT,
    },
    sinkMm: {
      kind: 'quantity',
      quantity: 'length',
      min: 0,
      max: 300,
      initial: '',
      optional: true,
    },
    heldS: { kind: 'number', unit: 's', min: 1, max: 600, initial: 30 },
  },
  about: ['pedal-feel', trappedAirCalc.about],
  startFrom: (vehicle) => {
    const [cylinder] = partsOf(vehicle, 'master-cylinder')
    const [chamber] = cylinder?.chambers ?? []
    return {
      ...(cylinder && chamber && { boreMm: `${chamber.boreMm}`, pedalRatio: `${cylinder.pedalRatio}` }),
    }
  },
  work: ({ boreMm, pedalRatio, efforts: pairs, travelErrorMm, gaugeErrorPct, sinkMm, heldS }) => {
    const efforts = pairs.map(([pressureKPa, travelMm]) => ({ pressureKPa, travelMm }))
    const { value, reasons } = pedalFeel({
      boreMm,
      pedalRatio,
      efforts,
      travelErrorMm,
      gaugeErrorPct,
      ...(sinkMm !== undefined && { sink: { sinkMm, heldS } }),
    })
    return {
      result: { ...value, efforts, curve: fitted(value, boreMm, pedalRatio, efforts) } as PedalResult,
      reasons,
    }
  },
  says: ({ air, swelling, sink, airMl, airErrorMl = 0 }) =>
    fact(airMl === undefined ? 'bench-pedal-says' : 'bench-pedal-says-air', {
      air: fact(`bench-told-${air}`),
      swelling: fact(`bench-told-${swelling}`),
      sink: fact(`bench-told-${sink}`),
      ...(airMl !== undefined && { airMl, errorMl: airErrorMl }),
    }),
})

function fitted(
  { airMl, swellingMlPerMPa, clearanceMl }: PedalFeel,
  boreMm: number,
  pedalRatio: number,
  efforts: PedalResult['efforts'],
): PedalResult['curve'] {
  if (airMl === undefined || swellingMlPerMPa === undefined || clearanceMl === undefined) return []
  const mmPerMl = pedalRatio / cylinderMl(boreMm, 1)
  const top = Math.max(...efforts.map(({ pressureKPa }) => pressureKPa))
  return Array.from({ length: 101 }, (_, i) => (top * i ** 2) / 10_000).map((pressureKPa) => ({
    pressureKPa,
    travelMm: movedMl([airMl, swellingMlPerMPa, clearanceMl], pressureKPa) * mmPerMl,
    airMm: airMl * squeezedShare(pressureKPa) * mmPerMl,
  }))
}

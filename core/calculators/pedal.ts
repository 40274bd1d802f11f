import { ImpossibleInput } from '../base/fault'
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

const answerWords = { yes: 'yes', no: 'no', 'cannot-tell': 'cannot tell' }

/** Air, swelling and sink told apart by travel at several efforts. */
export const pedalBench = benchPage({
  id: 'pedal',
  name: 'Pedal travel against effort',
  question: 'Is a soft pedal air, a hose that swells, or a cylinder that lets past?',
  fields: {
    boreMm: {
      kind: 'quantity',
      label: 'Master cylinder bore',
      quantity: 'length',
      min: 5,
      max: 100,
      initial: 23.8,
    },
    pedalRatio: { kind: 'number', label: 'Pedal ratio', unit: '', min: 0.5, max: 20, initial: 4 },
    efforts: {
      kind: 'rows',
      label: 'Line pressure and pedal travel, pair by pair',
      units: ['kPa', 'mm'],
      max: [20_000, 400],
      most: 12,
      example: '300 25, 2000 31',
      initial: '40 21, 150 38, 400 45, 2000 52, 4000 57',
      hint: `Engine off, booster used up. Three efforts at least, one below ${LIGHT_KPA} kPa`,
    },
    travelErrorMm: {
      kind: 'number',
      label: 'Travel read within',
      unit: 'mm',
      min: 0.05,
      max: 20,
      initial: 0.5,
      hint: 'Nine of ten readings',
    },
    gaugeErrorPct: {
      kind: 'number',
      label: 'Pressure read within',
      unit: '% of it',
      min: 0,
      max: 50,
      initial: USUAL_GAUGE_ERROR_PCT,
    },
    sinkMm: {
      kind: 'number',
      label: 'Sank under a steady foot',
      unit: 'mm',
      min: 0,
      max: 300,
      initial: '',
      optional: true,
    },
    heldS: { kind: 'number', label: 'Held for', unit: 's', min: 1, max: 600, initial: 30 },
  },
  about: [
    {
      formula:
        'travel·area/ratio = air·P/(P + P0) + swelling·P + clearance·(share taken up at P), fitted by weighted least squares',
      source:
        'Boyle’s law; weighted least squares, fit tested by χ². What counts as felt or sound, and clearance being taken up by 30 to 150 kPa, is from memory',
      limits:
        'Nine of ten lie within the band shown, by the errors given. A booster that still works, or shoes out of adjustment, spoil it: then it does not fit, and says so.',
    },
    trappedAirCalc.about,
  ],
  startFrom: (vehicle) => {
    const [cylinder] = partsOf(vehicle, 'master-cylinder')
    const [chamber] = cylinder?.chambers ?? []
    return {
      ...(cylinder && chamber && { boreMm: `${chamber.boreMm}`, pedalRatio: `${cylinder.pedalRatio}` }),
    }
  },
  work: ({ boreMm, pedalRatio, efforts: pairs, travelErrorMm, gaugeErrorPct, sinkMm, heldS }) => {
    const efforts = pairs.map(([pressureKPa, travelMm]) => ({ pressureKPa, travelMm }))
    if (efforts.some(({ pressureKPa }) => pressureKPa < 1))
      throw new ImpossibleInput('efforts', 'Give line pressures of 1 kPa or more.')
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
  says: ({ air, swelling, sink, airMl, airErrorMl }) =>
    `Air: ${answerWords[air]}${airMl !== undefined ? ` (${airMl.toFixed(1)} ± ${(airErrorMl ?? 0).toFixed(1)} mL)` : ''}; swelling: ${answerWords[swelling]}; sink: ${answerWords[sink]}.`,
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

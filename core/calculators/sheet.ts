import { reason } from '../base/decision'
import { ImpossibleInput } from '../base/fault'
import { type MassBalance, massBalance } from '../physics/exchange/mass-balance'
import { topUp } from '../physics/exchange/top-up'
import { wearDrop } from '../physics/exchange/wear-drop'
import { largestStrokeMl } from '../plan/top-up-every'
import { brakesFedBy } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import { topUp as topUpCalc } from './command/top-up'
import { wearDrop as wearCalc } from './command/wear-drop'
import { benchPage } from './page'

export type SheetResult = { strokes: number; wearMl: number; balance: MassBalance }

/** The small sums on one sheet: strokes to top-up, what wear takes, what the system holds. */
export const sheetBench = benchPage({
  id: 'sheet',
  name: 'Top-up, wear and balance',
  question: 'How many strokes until somebody pours, is a low reservoir a leak, and does what went in add up?',
  fields: {
    levelMl: { kind: 'quantity', label: 'Level now', quantity: 'volume', min: 0, max: 20_000, initial: 400 },
    minMl: { kind: 'quantity', label: 'Level at MIN', quantity: 'volume', min: 0, max: 20_000, initial: 240 },
    mlPerStroke: {
      kind: 'quantity',
      label: 'One stroke moves',
      quantity: 'volume',
      min: 0.01,
      max: 500,
      initial: 7.5,
    },
    pistons: {
      kind: 'rows',
      label: 'Pistons: diameter, how many, how far out',
      units: ['mm', 'of them', 'mm out'],
      max: [300, 64, 60],
      most: 20,
      example: '54 2 4, 38 2 3',
      initial: '54 2 4, 38 2 3',
      optional: true,
      hint: 'Each brake by itself, further out than new. Drums that adjust themselves count for nothing',
    },
    inMl: { kind: 'quantity', label: 'Poured in', quantity: 'volume', min: 0, max: 100_000, initial: 650 },
    outMl: {
      kind: 'quantity',
      label: 'In the bottle',
      quantity: 'volume',
      min: 0,
      max: 100_000,
      initial: 560,
    },
    spilledMl: { kind: 'quantity', label: 'Spilled', quantity: 'volume', min: 0, max: 100_000, initial: 20 },
    seenMl: {
      kind: 'quantity',
      label: 'The system should hold more by',
      quantity: 'volume',
      min: 0,
      max: 100_000,
      initial: 60,
      hint: 'Level after less level before, and what was empty before',
    },
  },
  about: [
    topUpCalc.about,
    wearCalc.about,
    {
      formula: 'in − out − spilled = change held; the gap is what that differs from what is seen',
      source: 'arithmetic; a gap above 10 % wants an answer (common practice)',
      limits: 'A gap is a leak, a spill or something not written down. Nothing below 10 mL can be read.',
    },
  ],
  startFrom: (vehicle) => {
    const [reservoir] = partsOf(vehicle, 'reservoir')
    const stroke = reservoir && largestStrokeMl(vehicle, reservoir.id)
    const worn = reservoir ? brakesFedBy(vehicle, reservoir.id).filter(({ padWearMm }) => padWearMm > 0) : []
    return {
      ...(reservoir && { levelMl: `${reservoir.maxMl}`, minMl: `${reservoir.minMl}` }),
      // Rounded up, so that no stroke is counted that ends below MIN.
      ...(stroke && { mlPerStroke: `${Math.ceil(stroke * 1000) / 1000}` }),
      pistons: worn
        .flatMap(({ pistons, padWearMm }) =>
          pistons.map(({ diameterMm, count }) => `${diameterMm} ${count} ${padWearMm}`),
        )
        .join(', '),
    }
  },
  work: ({ levelMl, minMl, mlPerStroke, pistons, inMl, outMl, spilledMl, seenMl }) => {
    if (levelMl < minMl)
      throw new ImpossibleInput('levelMl', 'It stands below MIN already: pour before anything else.')
    if (pistons.some(([diameterMm, count]) => diameterMm <= 0 || count < 1 || !Number.isInteger(count)))
      throw new ImpossibleInput('pistons', 'Give each size a diameter above 0 and a whole number of pistons.')
    const unaccountedMl = inMl - outMl - spilledMl - seenMl
    const balance = massBalance({ inMl, outMl, spilledMl, unaccountedMl })
    const wearMl = pistons.reduce(
      (sum, [diameterMm, count, wearMm]) => sum + wearDrop({ pistons: [{ diameterMm, count }], wearMm }).ml,
      0,
    )
    return {
      result: {
        strokes: topUp({ usableMl: levelMl - minMl, mlPerStroke }).strokes,
        wearMl,
        balance,
      } satisfies SheetResult,
      reasons: [
        balance.wantsAnswer ? reason('balance-gap', 'practice') : reason('balance-closes', 'practice'),
      ],
    }
  },
  says: ({ strokes, wearMl, balance }, _, show) =>
    `${strokes} strokes to top-up; wear takes ${show('volume', wearMl)} from MAX; ${show('volume', balance.heldMl)} held, gap ${Math.round(100 * balance.gapShare)} %.`,
})

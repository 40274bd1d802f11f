import { fact, reason } from '../base/decision'
import { type MassBalance, massBalance } from '../physics/exchange/mass-balance'
import { topUp } from '../physics/exchange/top-up'
import { wearDrop } from '../physics/exchange/wear-drop'
import { largestStrokeMl } from '../plan/top-up-every'
import { brakesFedBy } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import { topUp as topUpCalc } from './command/top-up'
import { wearDrop as wearCalc } from './command/wear-drop'
import { impossible } from './fields'
import { benchPage } from './page'

export type SheetResult = { strokes: number; wearMl: number; balance: MassBalance }

/** The small sums on one sheet: strokes to top-up, what wear takes, what the system holds. */
export const sheetBench = benchPage({
  id: 'sheet',
  fields: {
    levelMl: { kind: 'quantity', quantity: 'volume', min: 0, max: 20_000, initial: 400 },
    minMl: { kind: 'quantity', quantity: 'volume', min: 0, max: 20_000, initial: 240 },
    mlPerStroke: {
      kind: 'quantity',
      quantity: 'volume',
      min: 0.01,
      max: 500,
      initial: 7.5,
    },
    pistons: {
      kind: 'rows',
      columns: [{ quantity: 'length', max: 300 }, { max: 64 }, { quantity: 'length', max: 60 }],
      most: 20,
      example: '54 2 4, 38 2 3',
      initial: '54 2 4, 38 2 3',
      optional: true,
      hint: true,
    },
    inMl: { kind: 'quantity', quantity: 'volume', min: 0, max: 100_000, initial: 650 },
    outMl: {
      kind: 'quantity',
      quantity: 'volume',
      min: 0,
      max: 100_000,
      initial: 560,
    },
    spilledMl: { kind: 'quantity', quantity: 'volume', min: 0, max: 100_000, initial: 20 },
    seenMl: {
      kind: 'quantity',
      quantity: 'volume',
      min: 0,
      max: 100_000,
      initial: 60,
      hint: true,
    },
  },
  about: [topUpCalc.about, wearCalc.about, 'mass-balance'],
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
    if (levelMl < minMl) throw impossible('levelMl', 'bench-below-min')
    if (pistons.some(([diameterMm, count]) => diameterMm <= 0 || count < 1 || !Number.isInteger(count)))
      throw impossible('pistons', 'bench-pistons-fault')
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
  says: ({ strokes, wearMl, balance }) =>
    fact('bench-sheet-says', {
      strokes,
      wearMl,
      heldMl: balance.heldMl,
      gapPct: Math.round(100 * balance.gapShare),
    }),
})

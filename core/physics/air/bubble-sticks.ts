import { ImpossibleInput } from '../../base/fault'

const GRAVITY_M_PER_S2 = 9.80665
/** Below it a long bubble stays where it is in an upright closed tube. */
const STICKS_BELOW = 0.842
/** From here on the answer hangs on a surface tension nobody has measured: as good as stuck. */
const MARGINAL = { from: 0.7, to: 1 }

/**
 * Whether a bubble that fills a tube rises by itself: it stays while ρ·g·r²/σ is below 0.842. A 3.34 mm tube is at the
 * limit with glycol fluid, in 4.93 mm it rises. What sticks has to be carried out by flow.
 *
 * @param surfaceTensionNM about 0.035 N/m for glycol fluids, 0.021 for silicone (from memory)
 * @returns `number` is ρ·g·r²/σ; `marginal` between 0.7 and 1.0
 * @throws ImpossibleInput with the field at fault
 * @source Bretherton 1961
 */
export function bubbleSticks(input: { boreMm: number; densityKgM3: number; surfaceTensionNM: number }): {
  sticks: boolean
  number: number
  marginal: boolean
} {
  const { boreMm, densityKgM3, surfaceTensionNM } = input
  if (!(boreMm > 0)) throw new ImpossibleInput('boreMm', 'give a bore above 0 mm')
  if (!(densityKgM3 > 0)) throw new ImpossibleInput('densityKgM3', 'give a density above 0 kg/m³')
  if (!(surfaceTensionNM > 0))
    throw new ImpossibleInput('surfaceTensionNM', 'give a surface tension above 0 N/m')
  const number = (densityKgM3 * GRAVITY_M_PER_S2 * (boreMm / 2000) ** 2) / surfaceTensionNM
  return {
    sticks: number < STICKS_BELOW,
    number,
    marginal: number >= MARGINAL.from && number <= MARGINAL.to,
  }
}

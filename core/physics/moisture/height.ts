import { ImpossibleInput } from '../../base/fault'

/** Boiling points are stated at sea level; each mmHg less pressure takes this much. @source FMVSS 116 S6.1 (recalled) */
const C_PER_MMHG = 0.04
const KPA_PER_MMHG = 0.133322
const SEA_LEVEL_KPA = 101.325

/**
 * Air pressure at a height, standard atmosphere: 89.9 kPa at 1000 m.
 *
 * @param heightM −500 to 6000 m
 * @source ISO 2533 standard atmosphere (recalled)
 */
export function airPressureKPa(heightM: number): number {
  if (!(heightM >= -500 && heightM <= 6000))
    throw new ImpossibleInput('heightM', 'give a height of −500 to 6000 m')
  return SEA_LEVEL_KPA * (1 - 2.25577e-5 * heightM) ** 5.25588
}

/**
 * How much lower fluid boils at a height than at sea level: about 3.4 °C at 1000 m.
 *
 * @returns °C to take from a stated boiling point, or to add to one measured there
 * @source FMVSS 116 S6.1 (recalled): 0.04 °C for each mmHg
 */
export const lowerAtHeightC = (heightM: number): number =>
  ((SEA_LEVEL_KPA - airPressureKPa(heightM)) / KPA_PER_MMHG) * C_PER_MMHG

import { ImpossibleInput } from '../../base/fault'
import { ATMOSPHERE_KPA } from '../atmosphere'
import { type BoilingPair, boilingPoint, waterFromBoiling } from './boiling-point'

/** The standard's own correction, for any fluid and temperature: each mmHg less pressure takes this much. @source FMVSS 116 S6.1 (recalled) */
const C_PER_MMHG = 0.04
const KPA_PER_MMHG = 0.133322

/**
 * Air pressure at a height, standard atmosphere: 89.9 kPa at 1000 m.
 *
 * @param heightM −500 to 6000 m
 * @source ISO 2533 standard atmosphere (recalled)
 */
export function airPressureKPa(heightM: number): number {
  if (!(heightM >= -500 && heightM <= 6000))
    throw new ImpossibleInput('heightM', 'give a height of −500 to 6000 m')
  return ATMOSPHERE_KPA * (1 - 2.25577e-5 * heightM) ** 5.25588
}

/**
 * What a fluid measured at a height would boil at by the sea, where its limits are stated: by the pressure of the air
 * there in the model of the fluid itself. Without dry and wet points it is the standard's round correction.
 *
 * About 4.5 °C at 1000 m for a wet DOT 4 and 5.7 °C for a dry one; the standard's 0.04 °C per mmHg makes 3.4 °C of both.
 *
 * @source Raoult's law as in `boilingPoint`; FMVSS 116 S6.1 (recalled)
 */
export function atSeaLevelC(boilingC: number, heightM: number, pair: BoilingPair | undefined): number {
  if (heightM === 0) return boilingC
  const pressureKPa = airPressureKPa(heightM)
  if (!pair) return boilingC + ((ATMOSPHERE_KPA - pressureKPa) / KPA_PER_MMHG) * C_PER_MMHG
  const dryThereC = boilingPoint({ ...pair, waterPct: 0, pressureKPa }).boilingC
  // Most products boil above their specification's minimum, and are dry.
  if (boilingC >= dryThereC || pair.wetC === pair.dryC) return boilingC + pair.dryC - dryThereC
  const wettestThereC = boilingPoint({ ...pair, waterPct: 100, pressureKPa }).boilingC
  const { waterPct } = waterFromBoiling({ ...pair, boilingC: Math.max(boilingC, wettestThereC), pressureKPa })
  return boilingPoint({ ...pair, waterPct }).boilingC + Math.min(0, boilingC - wettestThereC)
}

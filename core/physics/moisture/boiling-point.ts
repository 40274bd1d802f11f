import { ImpossibleInput } from '../../base/fault'
import { crossing } from '../../base/solve'
import { waterVapourKPa } from './water-vapour'

const ATMOSPHERE_KPA = 101.325
const GAS_J_PER_MOL_K = 8.314462618
const TROUTON_J_PER_MOL_K = 88
const WATER_G_PER_MOL = 18.015
/** Triethylene glycol monomethyl ether, the usual main solvent. */
const SOLVENT_G_PER_MOL = 164.2
/** Water at which the standard measures its wet boiling point. @source FMVSS 116 S6.2 (recalled) */
export const WET_WATER_PCT = 3.7
/** The least anyone should read into the estimate: the tested fluid is not the control fluid. @source from memory */
const SMALLEST_BAND_C = 3

/** The two boiling points a fluid is known by: a product's own data sheet before its spec's minimum. */
export type BoilingPair = { dryC: number; wetC: number }

function refuseImpossible({ dryC, wetC }: BoilingPair): void {
  if (!(dryC > 100 && dryC <= 370))
    throw new ImpossibleInput('dryC', 'give a dry boiling point above 100 and up to 370 °C')
  if (!(wetC > 60)) throw new ImpossibleInput('wetC', 'give a wet boiling point above 60 °C')
  if (wetC > dryC)
    throw new ImpossibleInput('wetC', `the wet boiling point cannot be above the dry one (${dryC} °C)`)
}

function waterMoleFraction(waterPct: number, solventGPerMol: number): number {
  const water = waterPct / WATER_G_PER_MOL
  return water / (water + (100 - waterPct) / solventGPerMol)
}

/** Clausius–Clapeyron through the dry boiling point, with Trouton's constant for the heat of vaporisation. */
function solventKPa(tempC: number, dryC: number): number {
  const ratio = (dryC + 273.15) / (tempC + 273.15)
  return ATMOSPHERE_KPA * Math.exp((TROUTON_J_PER_MOL_K / GAS_J_PER_MOL_K) * (1 - ratio))
}

/** Activity of the water that makes 3.7 % boil at the wet point; below 1 where the fluid binds water, as borate does. */
export function fittedActivity({ dryC, wetC }: BoilingPair, solventGPerMol = SOLVENT_G_PER_MOL): number {
  const x = waterMoleFraction(WET_WATER_PCT, solventGPerMol)
  return (ATMOSPHERE_KPA - (1 - x) * solventKPa(wetC, dryC)) / (x * waterVapourKPa(wetC))
}

/**
 * Boiling point of one mixture for a given activity of its water, at 101.325 kPa.
 * Exported so that the unfitted model (activity 1) can be checked against the standard's own minimum.
 */
export function boilingWithActivityC(
  dryC: number,
  waterPct: number,
  activity: number,
  solventGPerMol = SOLVENT_G_PER_MOL,
): number {
  const x = waterMoleFraction(waterPct, solventGPerMol)
  const pressure = (tempC: number) => x * activity * waterVapourKPa(tempC) + (1 - x) * solventKPa(tempC, dryC)
  return crossing(pressure, ATMOSPHERE_KPA, 1, dryC)
}

const estimateC = (pair: BoilingPair, waterPct: number, solventGPerMol: number): number =>
  boilingWithActivityC(pair.dryC, waterPct, fittedActivity(pair, solventGPerMol), solventGPerMol)

/**
 * Boiling point of brake fluid that has taken up water, at 101.325 kPa.
 *
 * Water in a high-boiling solvent, ideal but for one activity coefficient fitted so that 3.7 % water gives
 * the wet boiling point: the first per cent costs most, which a straight line would hide.
 *
 * @param waterPct water by mass, 0 to 100; beyond about 6 % it is an extrapolation and the band says so
 * @returns `boilingC` and `bandC`, the half-width of the band: what solvents of 120 to 220 g/mol would give
 *   instead, and never below 3 °C
 * @throws ImpossibleInput with the field at fault
 * @source Raoult's law with Wagner & Pruss 1993 for water; anchors FMVSS 116 (recalled)
 */
export function boilingPoint(pair: BoilingPair & { waterPct: number }): { boilingC: number; bandC: number } {
  refuseImpossible(pair)
  const { waterPct } = pair
  if (!(waterPct >= 0 && waterPct <= 100))
    throw new ImpossibleInput('waterPct', 'give water by mass from 0 to 100 %')
  const boilingC = estimateC(pair, waterPct, SOLVENT_G_PER_MOL)
  const spread = [120, 220].map((solvent) => Math.abs(estimateC(pair, waterPct, solvent) - boilingC))
  return { boilingC, bandC: Math.max(SMALLEST_BAND_C, ...spread) }
}

/**
 * Water that would make a fluid boil at a measured temperature: the inverse of `boilingPoint`.
 *
 * @throws ImpossibleInput above the dry boiling point, or below what any share of water gives
 */
export function waterFromBoiling(pair: BoilingPair & { boilingC: number }): { waterPct: number } {
  refuseImpossible(pair)
  const { boilingC, dryC, wetC } = pair
  if (boilingC > dryC)
    throw new ImpossibleInput(
      'boilingC',
      `a fluid cannot boil above its dry boiling point (${dryC} °C): check the reading, or give the product's own data sheet`,
    )
  if (boilingC === dryC) return { waterPct: 0 }
  if (wetC === dryC)
    throw new ImpossibleInput(
      'wetC',
      'with the wet boiling point equal to the dry one, boiling says nothing about water',
    )
  const at = (waterPct: number) => estimateC(pair, waterPct, SOLVENT_G_PER_MOL)
  const lowestC = at(100)
  if (!(boilingC >= lowestC))
    throw new ImpossibleInput(
      'boilingC',
      `no share of water brings this fluid down to that: give ${Math.ceil(lowestC)} to ${dryC} °C`,
    )
  return { waterPct: crossing(at, boilingC, 0, 100) }
}

import { fact } from '../../base/decision'
import { ImpossibleInput } from '../../base/fault'
import { crossing } from '../../base/solve'
import { ATMOSPHERE_KPA } from '../atmosphere'
import { waterVapourKPa } from './water-vapour'

/** Beyond it no fluid is stated, and water has no vapour pressure. */
const HIGHEST_C = 373
const GAS_J_PER_MOL_K = 8.314462618
const TROUTON_J_PER_MOL_K = 88
const WATER_G_PER_MOL = 18.015
/** Triethylene glycol monomethyl ether, the usual main solvent. */
const SOLVENT_G_PER_MOL = 164.2
/** Water at which the standard measures its wet boiling point. @source FMVSS 116 S6.2 (recalled) */
export const WET_WATER_PCT = 3.7
/** What the tested fluid itself may hold at that point: the 3.7 % are the control fluid's beside it. @source from memory */
const WET_WATER_RANGE_PCT = [3, 5]
const SOLVENT_RANGE_G_PER_MOL = [120, 220]
/** The least anyone should read into the estimate. @source from memory */
const SMALLEST_BAND_C = 3
/** One activity of water serves so far; from there on it nears that of water by itself, nobody knows how fast. @source from memory */
export const MODEL_ENDS_PCT = 6
/** More water than this makes what binds it scarce: from here its activity is led over to that of pure water. @source from memory */
const BRIDGED_FROM_PCT = 12

/** The two boiling points a fluid is known by: a product's own data sheet before its spec's minimum. */
export type BoilingPair = { dryC: number; wetC: number }

function refuseImpossible({ dryC, wetC }: BoilingPair): void {
  if (!(dryC > 100 && dryC <= 370))
    throw new ImpossibleInput('dryC', 'give a dry boiling point above 100 and up to 370 °C')
  if (!(wetC > 60)) throw new ImpossibleInput('wetC', 'give a wet boiling point above 60 °C')
  if (wetC > dryC)
    throw new ImpossibleInput(
      'wetC',
      `the wet boiling point cannot be above the dry one (${dryC} °C)`,
      fact('wet-above-dry', { dryC }),
    )
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

/** Activity of the water that makes it boil at the wet point; below 1 where the fluid binds water, as borate does. */
export function fittedActivity(
  { dryC, wetC }: BoilingPair,
  solventGPerMol = SOLVENT_G_PER_MOL,
  wetWaterPct = WET_WATER_PCT,
): number {
  const x = waterMoleFraction(wetWaterPct, solventGPerMol)
  return (ATMOSPHERE_KPA - (1 - x) * solventKPa(wetC, dryC)) / (x * waterVapourKPa(wetC))
}

/** So much water has nothing left to be bound to: its activity ends at that of pure water. */
function activityAt(fitted: number, waterPct: number): number {
  if (fitted >= 1 || waterPct <= BRIDGED_FROM_PCT) return fitted
  return fitted + ((1 - fitted) * (waterPct - BRIDGED_FROM_PCT)) / (100 - BRIDGED_FROM_PCT)
}

/** No shop lies so low that a fluid boils further above its stated point than this. */
const ABOVE_DRY_C = 10

/**
 * Boiling point of one mixture for a given activity of its water.
 * Exported so that the unfitted model (activity 1) can be checked against the standard's own minimum.
 */
export function boilingWithActivityC(
  dryC: number,
  waterPct: number,
  activity: number,
  solventGPerMol = SOLVENT_G_PER_MOL,
  pressureKPa = ATMOSPHERE_KPA,
): number {
  const x = waterMoleFraction(waterPct, solventGPerMol)
  const vapourKPa = (tempC: number) =>
    x * activity * waterVapourKPa(tempC) + (1 - x) * solventKPa(tempC, dryC)
  return crossing(vapourKPa, pressureKPa, 1, Math.min(dryC + ABOVE_DRY_C, HIGHEST_C))
}

type Assumed = { solventGPerMol?: number; wetWaterPct?: number; pressureKPa?: number }

function estimateC(
  pair: BoilingPair,
  waterPct: number,
  { solventGPerMol, wetWaterPct, pressureKPa }: Assumed,
): number {
  const activity = activityAt(fittedActivity(pair, solventGPerMol, wetWaterPct), waterPct)
  return boilingWithActivityC(pair.dryC, waterPct, activity, solventGPerMol, pressureKPa)
}

/**
 * Boiling point of brake fluid that has taken up water.
 *
 * Water in a high-boiling solvent, ideal but for one activity coefficient fitted so that 3.7 % water gives
 * the wet boiling point: the first per cent costs most, which a straight line would hide.
 *
 * @param waterPct water by mass, 0 to 100
 * @param pressureKPa of the air it boils in; sea level where left out
 * @returns `boilingC` and `bandC`, the half-width of the band: what solvents of 120 to 220 g/mol, or 3 to 5 % at the wet
 *   point, would give instead, and never below 3 °C; beyond 6 % water it grows to what unbound water would give
 * @throws ImpossibleInput with the field at fault
 * @source Raoult's law with Wagner & Pruss 1993 for water; anchors FMVSS 116 (recalled)
 */
export function boilingPoint({
  waterPct,
  pressureKPa,
  ...pair
}: BoilingPair & { waterPct: number; pressureKPa?: number }): { boilingC: number; bandC: number } {
  refuseImpossible(pair)
  if (!(waterPct >= 0 && waterPct <= 100))
    throw new ImpossibleInput('waterPct', 'give water by mass from 0 to 100 %')
  const boilingC = estimateC(pair, waterPct, { pressureKPa })
  const off = (other: number) => Math.abs(other - boilingC)
  const others = [
    ...SOLVENT_RANGE_G_PER_MOL.map((solventGPerMol) => ({ solventGPerMol })),
    ...WET_WATER_RANGE_PCT.map((wetWaterPct) => ({ wetWaterPct })),
  ].map((assumed) => off(estimateC(pair, waterPct, { ...assumed, pressureKPa })))
  const fittedC = Math.max(SMALLEST_BAND_C, ...others)
  const beyond = Math.min(1, Math.max(0, waterPct / MODEL_ENDS_PCT - 1))
  const unboundC = boilingWithActivityC(pair.dryC, waterPct, 1, SOLVENT_G_PER_MOL, pressureKPa)
  return { boilingC, bandC: fittedC + beyond * off(unboundC) }
}

/** The solver’s own. */
const ROUNDING_C = 1e-9

type Boiled = BoilingPair & { boilingC: number; pressureKPa?: number }

/** Water at which it boils there under such assumptions, 0 to 100 %. */
const waterAt = ({ boilingC, pressureKPa, ...pair }: Boiled, assumed: Assumed = {}): number =>
  crossing((waterPct) => estimateC(pair, waterPct, { ...assumed, pressureKPa }), boilingC, 0, 100)

/**
 * Water that would make a fluid boil at a measured temperature: the inverse of `boilingPoint`.
 *
 * @param pressureKPa of the air it boiled in; sea level where left out
 * @throws ImpossibleInput above the dry boiling point, or below what pure water boils at
 */
export function waterFromBoiling(boiled: Boiled): { waterPct: number } {
  refuseImpossible(boiled)
  const { boilingC, pressureKPa, dryC, wetC } = boiled
  const driestC = estimateC(boiled, 0, { pressureKPa })
  const readable = Number(driestC.toFixed(1))
  if (boilingC > driestC + ROUNDING_C)
    throw new ImpossibleInput(
      'boilingC',
      `a fluid cannot boil above its dry boiling point (${readable} °C): check the reading, or give the product's own data sheet`,
      fact('boils-above-dry', { dryC: readable }),
    )
  if (boilingC >= driestC - ROUNDING_C) return { waterPct: 0 }
  if (wetC === dryC)
    throw new ImpossibleInput(
      'wetC',
      'with the wet boiling point equal to the dry one, boiling says nothing about water',
      fact('wet-equals-dry'),
    )
  const lowestC = estimateC(boiled, 100, { pressureKPa })
  if (!(boilingC >= lowestC - ROUNDING_C))
    throw new ImpossibleInput(
      'boilingC',
      `water by itself boils no lower than that: give ${Math.ceil(lowestC)} to ${readable} °C`,
      fact('boils-below-water', { lowestC: Math.ceil(lowestC), dryC: readable }),
    )
  return { waterPct: waterAt(boiled) }
}

/**
 * Between which the water behind a boiling point lies, by the same other solvents and wet points as the band of
 * `boilingPoint`. Past 6 % the activity is no longer the fitted one: then it reaches to what unbound water would be,
 * and `beyondModel` says that nothing better is known.
 *
 * @throws ImpossibleInput as `waterFromBoiling`
 */
export function waterRange(boiled: Boiled): { lowPct: number; highPct: number; beyondModel?: true } {
  const { waterPct } = waterFromBoiling(boiled)
  if (waterPct === 0) return { lowPct: 0, highPct: 0 }
  const { dryC, boilingC, pressureKPa } = boiled
  const beyondModel = waterPct > MODEL_ENDS_PCT
  const unboundC = (pct: number) => boilingWithActivityC(dryC, pct, 1, SOLVENT_G_PER_MOL, pressureKPa)
  const all = [
    waterPct,
    ...SOLVENT_RANGE_G_PER_MOL.map((solventGPerMol) => waterAt(boiled, { solventGPerMol })),
    ...WET_WATER_RANGE_PCT.map((wetWaterPct) => waterAt(boiled, { wetWaterPct })),
    ...(beyondModel ? [crossing(unboundC, boilingC, 0, 100)] : []),
  ]
  return { lowPct: Math.min(...all), highPct: Math.max(...all), ...(beyondModel && { beyondModel }) }
}

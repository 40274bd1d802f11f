import type { Band } from '../../base/band'
import { fact } from '../../base/decision'
import { ImpossibleInput } from '../../base/fault'
import {
  type BoilingPair,
  boilingPoint,
  waterFromBoiling,
  waterRange,
} from '../../physics/moisture/boiling-point'

/** Nobody finds more water than this in a brake system that still has fluid in it. */
const MOST_PCT = 100

/** The boiling point behind a share of water: the model's own band comes on top of the tester's. */
export function boilingOf(pair: BoilingPair, water: Band): Band {
  const at = (waterPct: number) => boilingPoint({ ...pair, waterPct: Math.min(waterPct, MOST_PCT) })
  const [wettest, driest, likely] = [at(water.high), at(water.low), at(water.likely)]
  return {
    low: wettest.boilingC - wettest.bandC,
    likely: likely.boilingC,
    high: driest.boilingC + driest.bandC,
  }
}

/**
 * The water behind a boiling point, with the model's own band on top of the instrument's. Most products boil above their specification's minimum: up there it is simply dry.
 *
 * @returns undefined below what any share of water gives
 */
export function waterOf(pair: BoilingPair, boiling: Band): Band | undefined {
  const at = (boilingC: number) => ({ ...pair, boilingC: Math.min(boilingC, pair.dryC) })
  try {
    return {
      low: waterRange(at(boiling.high)).lowPct,
      likely: waterFromBoiling(at(boiling.likely)).waterPct,
      high: waterRange(at(boiling.low)).highPct,
    }
  } catch (error) {
    if (error instanceof ImpossibleInput) return undefined
    throw error
  }
}

export const noWaterTaken = fact('moisture-does-not-apply')

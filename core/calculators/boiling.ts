import { fact, reason } from '../base/decision'
import { judgeFluid, judgementReasons } from '../fluid/judge'
import type { Verdict } from '../fluid/judgement'
import { ruleOf } from '../fluid/policy'
import { measuredLimits } from '../fluid/policy/policy'
import { takenReading } from '../fluid/readings'
import { type FluidSpec, fluidOf, fluidSpecs } from '../fluid/specs'
import { BOILED_ERROR_C } from '../fluid/testers/boiling-sampler'
import {
  type BoilingPair,
  boilingPoint,
  MODEL_ENDS_PCT,
  WET_WATER_PCT,
  waterFromBoiling,
  waterRange,
} from '../physics/moisture/boiling-point'
import { airPressureKPa } from '../physics/moisture/height'
import { boilingPoint as boilingCalc } from './command/boiling-point'
import { fluidField, impossible } from './fields'
import { benchPage } from './page'

export type BoilingResult = {
  spec: FluidSpec
  pair: BoilingPair
  /** Whether the pair is a product's own, not the specification's. */
  product: boolean
  waterPct: number
  /** Between which the water lies behind a boiling point; none where it was measured. */
  range?: { lowPct: number; highPct: number; beyondModel?: true }
  /** At the shop's own height. */
  boilingC: number
  bandC: number
  /** Of the air at that height; left out at sea level. */
  pressureKPa?: number
  /** Above the boiling point at which it is replaced. */
  marginC: number
  limitC: number
  limitPct: number
  verdict: Verdict
}

const glycol = fluidSpecs.filter((spec) => fluidOf(spec).base === 'glycol')

/** Boiling point over water, with this fluid's point on it. */
export const boilingBench = benchPage({
  id: 'boiling',
  fields: {
    spec: fluidField(glycol),
    kind: {
      kind: 'choice',
      options: ['water', 'boiling'],
      initial: 'water',
    },
    waterPct: {
      kind: 'number',
      unit: '%',
      min: 0,
      max: 12,
      initial: 2,
      when: ['kind', 'water'],
    },
    boilingC: {
      kind: 'quantity',
      quantity: 'temperature',
      min: 60,
      max: 370,
      initial: 180,
      when: ['kind', 'boiling'],
    },
    dryC: {
      kind: 'quantity',
      quantity: 'temperature',
      min: 150,
      max: 370,
      initial: '',
      optional: true,
      hint: true,
    },
    wetC: {
      kind: 'quantity',
      quantity: 'temperature',
      min: 100,
      max: 300,
      initial: '',
      optional: true,
    },
    heightM: {
      kind: 'quantity',
      quantity: 'run',
      min: -400,
      max: 5000,
      initial: 0,
    },
    limitPct: {
      kind: 'number',
      unit: '% water',
      min: 0.5,
      max: 8,
      initial: ruleOf('water').usual,
    },
  },
  about: [boilingCalc.about],
  startFrom: ({ fluid }) => (glycol.includes(fluid.spec) ? { spec: fluid.spec } : {}),
  work: ({ spec: chosen, kind, waterPct, boilingC, dryC, wetC, heightM, limitPct }) => {
    const spec = chosen as FluidSpec
    if ((dryC === undefined) !== (wetC === undefined))
      throw impossible(dryC === undefined ? 'dryC' : 'wetC', 'bench-both-or-neither')
    const fluid = fluidOf(spec)
    const pair = { dryC: dryC ?? fluid.dryC ?? 0, wetC: wetC ?? fluid.wetC ?? 0 }
    const pressureKPa = heightM === 0 ? undefined : airPressureKPa(heightM)
    const boiled = { ...pair, boilingC, pressureKPa }
    const water = kind === 'water' ? waterPct : waterFromBoiling(boiled).waterPct
    const boils = boilingPoint({ ...pair, waterPct: water, pressureKPa })
    const range = kind === 'boiling' ? waterRange(boiled) : undefined
    const reading =
      kind === 'water'
        ? takenReading({ kind: 'water-pct', value: water, at: 'reservoir' })
        : takenReading({ kind: 'boiling-c', value: boilingC, at: 'reservoir' })
    const judged = judgeFluid(
      { spec, kind: 'car', readings: [reading], product: pair, heightM },
      measuredLimits({ waterPct: limitPct }),
    )
    const limitC = boilingPoint({ ...pair, waterPct: WET_WATER_PCT, pressureKPa }).boilingC
    return {
      result: {
        spec,
        pair,
        product: dryC !== undefined,
        waterPct: water,
        ...(range && { range }),
        boilingC: boils.boilingC,
        bandC: range ? BOILED_ERROR_C : boils.bandC,
        ...(pressureKPa !== undefined && { pressureKPa }),
        marginC: boils.boilingC - limitC,
        limitC,
        limitPct,
        verdict: judged.verdict,
      } satisfies BoilingResult,
      reasons: [
        ...judgementReasons(judged),
        ...(water > MODEL_ENDS_PCT
          ? [reason('boiling-beyond-model', 'physics', { endsPct: MODEL_ENDS_PCT })]
          : []),
      ],
    }
  },
  says: ({ spec, waterPct, range, boilingC, bandC, marginC }) => {
    const boils = { spec, boilsC: boilingC, bandC }
    const margin = fact(marginC >= 0 ? 'bench-boiling-above' : 'bench-boiling-below', {
      marginApartC: Math.abs(marginC),
    })
    return range
      ? fact('bench-boiling-says-boiled', {
          ...boils,
          margin,
          low: range.lowPct.toFixed(1),
          high: range.highPct.toFixed(1),
        })
      : fact('bench-boiling-says', { ...boils, margin, water: waterPct.toFixed(1) })
  },
})

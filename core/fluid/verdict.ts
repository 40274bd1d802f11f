import type { Reason } from '../base/decision'
import { ImpossibleInput } from '../base/fault'
import { type BoilingPair, boilingPoint, waterFromBoiling } from '../physics/moisture/boiling-point'
import { lowerAtHeightC } from '../physics/moisture/height'
import { type FluidSpec, fluidOf } from './specs'
import { CONDEMNING_MEGOHM } from './testers/ohmmeter'

/** What was measured, and where the sample came from: a caliper's fluid is older than the reservoir's. */
export type MoistureReading = {
  kind: 'water-pct' | 'boiling-c' | 'copper-ppm' | 'megohm'
  value: number
  at: 'reservoir' | 'caliper'
}

/** The shop's own limits. @source common practice for all three defaults */
export type MoisturePolicy = { waterPct: number; marginC: number; copperPpm: number }
export const defaultPolicy: MoisturePolicy = { waterPct: 3, marginC: 0, copperPpm: 200 }

/** Share of the limit from which a reading is worth watching: 2 % of a limit of 3 %. @source common practice */
const WATCH_SHARE = 2 / 3

export type MoistureVerdict = {
  verdict: 'keep' | 'watch' | 'replace' | 'retest'
  boilingC?: number
  bandC?: number
  waterPct?: number
  /** The rule that decided. */
  decidedBy: 'water' | 'boiling-point' | 'copper' | 'resistance' | 'not-applicable'
  reasons: Reason[]
}

type Judged = Pick<MoistureVerdict, 'verdict' | 'decidedBy' | 'reasons'>
const degrees = (c: number) => `${Math.round(c)} °C`

function judgeShare(share: number, text: string, rule: Judged['decidedBy'], limit: string): Judged {
  const verdict = share >= 1 ? 'replace' : share >= WATCH_SHARE ? 'watch' : 'keep'
  const word = {
    replace: `at or past the limit of ${limit}`,
    watch: `getting near the limit of ${limit}`,
    keep: `well within the limit of ${limit}`,
  }[verdict]
  return {
    verdict,
    decidedBy: rule,
    reasons: [{ code: `${rule}-${verdict}`, text: `${text}: ${word}.`, basis: 'practice' }],
  }
}

function judgeWater(
  boils: { boilingC: number; bandC: number },
  waterPct: number,
  pair: BoilingPair,
  policy: MoisturePolicy,
): Judged {
  const byWater = judgeShare(
    waterPct / policy.waterPct,
    `${waterPct.toFixed(1)} % water`,
    'water',
    `${policy.waterPct} %`,
  )
  const limitC = pair.wetC + policy.marginC
  const boilingText = `Boils at about ${degrees(boils.boilingC)} (± ${Math.ceil(boils.bandC)} °C); replace at ${degrees(limitC)}`
  const reason: Reason = { code: 'boiling-estimate', text: `${boilingText}.`, basis: 'physics' }
  if (boils.boilingC <= limitC && byWater.verdict !== 'replace')
    return {
      verdict: 'replace',
      decidedBy: 'boiling-point',
      reasons: [{ ...reason, code: 'boiling-point-replace' }, ...byWater.reasons],
    }
  return { ...byWater, reasons: [...byWater.reasons, reason] }
}

/**
 * What one reading says of the fluid under the shop's policy.
 *
 * A reading in °C is taken as measured and also turned into water; water is turned into a boiling point with a
 * band. An ohmmeter can condemn, never pass. Silicone and mineral oil take up no water, so a water reading on
 * them says nothing.
 *
 * @param heightM of the shop: what boiled there is judged as it would boil at sea level, where limits are stated
 * @returns `boilingC` at sea level
 * @throws ImpossibleInput for a reading nothing can have
 */
export function moistureVerdict(
  spec: FluidSpec,
  reading: MoistureReading,
  product?: BoilingPair,
  policy: MoisturePolicy = defaultPolicy,
  heightM = 0,
): MoistureVerdict {
  const { kind, value } = reading
  if (!(value >= 0)) throw new ImpossibleInput('reading.value', 'give a reading of 0 or more')
  if (kind === 'copper-ppm')
    return judgeShare(value / policy.copperPpm, `${value} ppm copper`, 'copper', `${policy.copperPpm} ppm`)
  const fluid = fluidOf(spec)
  if (fluid.base !== 'glycol' || fluid.dryC === undefined || fluid.wetC === undefined) {
    const text = `${spec} takes up no water, so this reading says nothing; go by time, and look for free water low in the system.`
    return {
      verdict: 'retest',
      decidedBy: 'not-applicable',
      reasons: [{ code: 'moisture-does-not-apply', text, basis: 'practice' }],
    }
  }
  if (kind === 'megohm') {
    const condemned = value < CONDEMNING_MEGOHM
    const text = condemned
      ? `${value} MΩ is below ${CONDEMNING_MEGOHM} MΩ: enough water or salts to condemn it.`
      : `${value} MΩ proves nothing: an ohmmeter can condemn fluid, never pass it. Measure with another tester.`
    return {
      verdict: condemned ? 'replace' : 'retest',
      decidedBy: 'resistance',
      reasons: [
        { code: condemned ? 'resistance-replace' : 'resistance-proves-nothing', text, basis: 'practice' },
      ],
    }
  }
  const pair = product ?? { dryC: fluid.dryC, wetC: fluid.wetC }
  if (kind === 'water-pct') {
    if (value > 100) throw new ImpossibleInput('reading.value', 'give water by mass from 0 to 100 %')
    const boils = boilingPoint({ ...pair, waterPct: value })
    return { ...judgeWater(boils, value, pair, policy), ...boils, waterPct: value }
  }
  return judgeBoiling(value, lowerAtHeightC(heightM), pair, policy)
}

/** Most products boil above their spec's minimum; a reading up there is simply dry. */
function judgeBoiling(
  measuredC: number,
  lowerC: number,
  pair: BoilingPair,
  policy: MoisturePolicy,
): MoistureVerdict {
  const boilingC = measuredC + lowerC
  if (measuredC > 400) throw new ImpossibleInput('reading.value', 'give a boiling point up to 400 °C')
  const limitC = pair.wetC + policy.marginC
  const clampedC = Math.min(boilingC, pair.dryC)
  let waterPct: number | undefined
  try {
    waterPct = waterFromBoiling({ ...pair, boilingC: clampedC }).waterPct
  } catch (error) {
    // Below what any share of water gives, the water is unknown and the boiling point alone decides.
    if (!(error instanceof ImpossibleInput)) throw error
  }
  const reasons: Reason[] = [
    {
      code: 'boiling-measured',
      text: `Boiled at ${degrees(measuredC)}${lowerC === 0 ? '' : `, which is ${degrees(boilingC)} at sea level`}; replace at ${degrees(limitC)}.`,
      basis: 'standard',
    },
  ]
  if (boilingC <= limitC)
    return { verdict: 'replace', boilingC, waterPct, decidedBy: 'boiling-point', reasons }
  if (waterPct === undefined) return { verdict: 'watch', boilingC, decidedBy: 'boiling-point', reasons }
  const byWater = judgeShare(
    waterPct / policy.waterPct,
    `About ${waterPct.toFixed(1)} % water by its boiling point`,
    'water',
    `${policy.waterPct} %`,
  )
  return { ...byWater, boilingC, waterPct, reasons: [...reasons, ...byWater.reasons] }
}

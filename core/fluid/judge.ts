import { type Band, joined, overlap } from '../base/band'
import { type Fact, fact, type Notice, type Reason } from '../base/decision'
import type { VehicleKind } from '../base/vehicle-kinds'
import type { BoilingPair } from '../physics/moisture/boiling-point'
import type { Judgement, RuleSays } from './judgement'
import { type RuleId, ruleIds, ruleOf } from './policy/index'
import type { LimitsInUse } from './policy/policy'
import { type Evidence, strictness } from './policy/rule'
import type { TakenReading } from './readings'
import { type FluidSpec, fluidOf } from './specs'
import { surerThan, testerFact, testerOf } from './testers'
import type { Told } from './testers/tester'

export type FluidCase = {
  spec: FluidSpec
  kind: VehicleKind
  readings: readonly TakenReading[]
  /** The product's own dry and wet boiling points, from its data sheet. */
  product?: BoilingPair
  heightM: number
  monthsSince?: number
  kmSince?: number
}

/** Limits that other shops go by. @source common practice */
const schools: readonly [RuleId, number][] = [
  ['boiling', 0],
  ['water', 2],
  ['water', 3],
  ['copper', 200],
  ['time', 12],
  ['time', 24],
  ['distance', 48_000],
]

/** Dry and wet boiling points to judge by: the product's own, else its specification's minima, else none. */
export function pairOf(spec: FluidSpec, product?: BoilingPair): BoilingPair | undefined {
  const { base, dryC, wetC } = fluidOf(spec)
  if (base !== 'glycol' || dryC === undefined || wetC === undefined) return undefined
  return product ?? { dryC, wetC }
}

/**
 * Whether the fluid stays, under the limits in use for this vehicle.
 *
 * Readings of one place are taken together; where they cannot both be true, a surer tester is asked for. The strictest
 * rule decides. Nothing but a reading of water or of a boiling point may say that glycol fluid stays.
 *
 * @throws ImpossibleInput for a reading nothing can have
 */
export function judgeFluid(of: FluidCase, limits: LimitsInUse): Judgement {
  const pair = pairOf(of.spec, of.product)
  const { told, setAside } = withoutOutdone(
    of.readings.map((reading) => ({
      ...reading,
      ...testerOf(reading.tester).tell(reading.value, { pair, heightM: of.heightM }),
    })),
  )
  const { readings, contradiction, wetter } = together(told)
  const evidence: Evidence = {
    spec: of.spec,
    kind: of.kind,
    pair,
    ownPair: of.product !== undefined,
    boiled: of.readings.some(({ tester }) => tester === 'boiling-sampler'),
    ...readings,
    monthsSince: of.monthsSince,
    kmSince: of.kmSince,
  }
  const say = (rule: RuleId, limit: number, by = evidence): RuleSays => ({
    rule,
    limit,
    words: ruleOf(rule).words(limit),
    ...ruleOf(rule).judge(limit, by),
  })
  const says = ruleIds.flatMap((id) => {
    const limit = limits[id]
    return limit === undefined ? [] : [say(id, limit)]
  })
  const limitC = pair && pair.wetC + (limits.boiling ?? 0)
  const decided = contradiction
    ? contradicted(told, (by) => says.map(({ rule, limit }) => say(rule, limit, { ...evidence, ...by })))
    : decide(of, told, says, pair !== undefined)
  return {
    ...decided,
    ...readings,
    ...(limitC !== undefined && {
      limitC,
      ...(readings.boilingC && { marginC: readings.boilingC.likely - limitC }),
    }),
    says,
    others: schools
      .filter(([rule, limit]) => limits[rule] !== limit)
      .map(([rule, limit]) => say(rule, limit)),
    cannot: [...setAside, ...distinct(told.flatMap(({ cannot }) => cannot)), ...places(told, wetter)],
    askFor: decided.verdict === 'retest' ? surerThan(of.readings.map(({ tester }) => tester)) : [],
  }
}

/** What a rule said, as a fact of its own. */
const said = ({ code, params }: RuleSays): Fact => fact(code, params)

type ToldAt = TakenReading & Told
/** Where a sample has boiled, a meter beside it counts for nothing: what it says comes from a table. @source common practice */
function withoutOutdone(all: readonly ToldAt[]): { told: ToldAt[]; setAside: Notice[] } {
  const settled = new Set(all.filter(({ tester }) => testerOf(tester).settles).map(({ at }) => at))
  const outdone = (one: ToldAt) =>
    settled.has(one.at) &&
    !testerOf(one.tester).settles &&
    (one.waterPct !== undefined || one.boilingC !== undefined)
  const gone = all.filter(outdone)
  return {
    told: all.filter((one) => !outdone(one)),
    setAside:
      gone.length === 0
        ? []
        : [fact('boiled-one-counts', { testers: gone.map(({ tester }) => testerFact(tester)) })],
  }
}

type Decided = Pick<Judgement, 'verdict' | 'decidedBy' | 'because'>

const strictest = (says: readonly RuleSays[]): RuleSays | undefined =>
  says.reduce<RuleSays | undefined>(
    (most, each) => (!most || strictness[each.verdict] > strictness[most.verdict] ? each : most),
    undefined,
  )

function decide(
  of: FluidCase,
  told: readonly ToldAt[],
  says: readonly RuleSays[],
  takesWater: boolean,
): Decided {
  const condemned = told.find(({ condemns }) => condemns !== undefined)
  const first = strictest(says)
  if (first?.verdict === 'replace') return { verdict: 'replace', decidedBy: first.rule, because: said(first) }
  if (condemned?.condemns) return { verdict: 'replace', decidedBy: 'tester', because: condemned.condemns }
  if (first?.verdict === 'watch') return { verdict: 'watch', decidedBy: first.rule, because: said(first) }
  const mayPass = of.readings.some(({ tester }) => testerOf(tester).mayPass)
  if (first?.verdict === 'keep' && (mayPass || !takesWater))
    return { verdict: 'keep', decidedBy: first.rule, because: said(first) }
  const because = of.readings.length === 0 ? fact('nothing-measured') : fact('nothing-may-pass')
  return { verdict: 'retest', decidedBy: 'nothing', because }
}

/** Two that cannot both be true decide nothing, unless either alone, or a third that condemns, would come to replace. */
function contradicted(told: readonly ToldAt[], judged: (by: Partial<Evidence>) => RuleSays[]): Decided {
  const condemns = told.flatMap((one) => one.condemns ?? [])[0]
  if (condemns) return { verdict: 'replace', decidedBy: 'tester', because: condemns }
  const measured = told.filter(({ waterPct, boilingC }) => waterPct ?? boilingC)
  const each = measured.map(({ waterPct, boilingC }) => strictest(judged({ waterPct, boilingC })))
  const [first] = each
  if (first?.verdict === 'replace' && each.every((one) => one?.verdict === 'replace'))
    return { verdict: 'replace', decidedBy: first.rule, because: fact('by-either', { why: said(first) }) }
  return {
    verdict: 'retest',
    decidedBy: 'contradiction',
    because: fact('readings-contradict', {
      testers: measured.map(({ tester }) => testerFact(tester)),
    }),
  }
}

type Together = {
  readings: Pick<Evidence, 'waterPct' | 'boilingC' | 'copperPpm'>
  contradiction: boolean
  /** Where the water is clearly more, if at one of two places. */
  wetter?: 'reservoir' | 'caliper'
}

/** Readings of each place as one, then the place that holds more water. */
function together(told: readonly ToldAt[]): Together {
  let contradiction = false
  const join = (bands: readonly (Band | undefined)[]): Band | undefined =>
    bands.reduce<Band | undefined>((before, band) => {
      if (!before || !band) return before ?? band
      if (overlap(before, band)) return joined(before, band)
      contradiction = true
      return {
        low: Math.min(before.low, band.low),
        likely: before.likely,
        high: Math.max(before.high, band.high),
      }
    }, undefined)
  const at = (place: TakenReading['at']) => {
    const here = told.filter((each) => each.at === place)
    return {
      place,
      waterPct: join(here.map(({ waterPct }) => waterPct)),
      boilingC: join(here.map(({ boilingC }) => boilingC)),
    }
  }
  const [caliper, reservoir] = [at('caliper'), at('reservoir')]
  // Of two places the fluid that boils first decides.
  const boils = (place: typeof caliper) => place.boilingC?.likely ?? Number.POSITIVE_INFINITY
  const worse = boils(reservoir) < boils(caliper) ? reservoir : caliper
  const apart =
    caliper.waterPct && reservoir.waterPct && !overlap(caliper.waterPct, reservoir.waterPct)
      ? worse.place
      : undefined
  const copper = told
    .flatMap(({ copperPpm }) => copperPpm ?? [])
    .reduce<Band | undefined>((most, each) => (most && most.likely >= each.likely ? most : each), undefined)
  return {
    readings: {
      ...(worse.waterPct && { waterPct: worse.waterPct }),
      ...(worse.boilingC && { boilingC: worse.boilingC }),
      ...(copper && { copperPpm: copper }),
    },
    contradiction,
    wetter: apart,
  }
}

/** What the places of the samples leave open. */
function places(told: readonly ToldAt[], wetter: Together['wetter']): Notice[] {
  if (wetter === 'reservoir') return [fact('reservoir-wetter')]
  const measured = told.filter(({ waterPct, boilingC }) => waterPct ?? boilingC)
  if (measured.length === 0 || measured.some(({ at }) => at === 'caliper')) return []
  return [fact('reservoir-only')]
}

const distinct = (notices: readonly Notice[]): Notice[] => [
  ...new Map(notices.map((notice) => [notice.code, notice])).values(),
]

/** Why, as reasons with what each rests on: what decided first, then what else the rules say, then what is not known. */
export function judgementReasons({ because, decidedBy, says, cannot }: Judgement): Reason[] {
  const deciding = says.find(({ rule }) => rule === decidedBy)
  const others = says.filter(({ rule, verdict }) => rule !== decidedBy && verdict !== 'unknown')
  return [
    { ...because, basis: deciding?.basis ?? 'practice' },
    ...others.map((each) => ({ ...said(each), basis: each.basis })),
    ...cannot.map((each) => ({ ...each, basis: 'practice' as const })),
  ]
}

import { Chance } from '../base/random'
import { type Containers, chooseContainers } from '../physics/exchange/containers'
import { type Feed, type Feeding, leastThrough, outletsAfter } from '../physics/exchange/least-through'
import { cornerVolumes } from '../physics/exchange/purge'
import { usualBleeder } from '../physics/hydraulics/bleeder'
import type { Choice } from '../technique/choose'
import type { Corner, TechniqueContext, TechniqueMinutes } from '../technique/technique'
import { bleedersOf } from '../vehicle/parts'
import { againMl, closedBranchesMl, fedBy, feedingOf } from './amounts'
import { makePlan } from './plan'
import { type Prepared, preparePlan } from './prepare'
import type { PlanRequest } from './request'
import { lineMl, passagesInOrder, wearAtBleed } from './volumes'

/** What is not known of a vehicle and a day, and how far it may be off; shown beside every result. @source from memory */
export const spreads = {
  /** Run lengths: one standard deviation of each line, as a share. */
  lengthShare: 0.1,
  /** Bleeder's hole as it stands open: least, likeliest and most. */
  holeMm: [1, usualBleeder.holeMm, 2],
  /** Share of a full stroke that a pull delivers: least and most, evenly. */
  strokeShare: [0.45, 0.75],
  /** What a brake holds with its pistons home, where its file does not say: one standard deviation, as a share. */
  deadShare: 0.25,
  /** Work beside the flow against its usual time: least, likeliest and most. */
  handling: [0.7, 1, 1.6],
  /** Fluid against the shop's thermometer: one standard deviation. */
  tempC: 2,
} as const

/** In half of all cases at most so much, and in nine of ten. */
export type Spread = { p50: number; p90: number }

export type PlanSpread = {
  samples: number
  /** New fluid for the target at every bleeder. */
  totalMl: Spread
  minutes: Spread
  /** Old share at the worst bleeder if the planned amounts are pushed through and no more, per cent. */
  worstOldPct: Spread
  buyP50: Containers[]
  buyP90: Containers[]
}

/** One bleed stage as it is worked, and how often; which of the plan's corners it opens, by their index. */
type Bleed = { volumes: Varying[]; times: number; opens: number[]; again: boolean }

/** A sum of what each line and brake brings, as its file says, and of what does not vary. */
type Varying = { fixed: number; parts: { of: number; size: number }[] }

const atFactors = ({ fixed, parts }: Varying, factors: Float64Array): number => {
  let sum = fixed
  for (const { of, size } of parts) sum += size * (factors[of] ?? 1)
  return sum
}

/**
 * A plan under what is not known, sampled: run lengths, what brakes hold, the bleeder's opening, the stroke a pull
 * delivers, the work beside it, the fluid's temperature. Each sample computes the volumes, the minutes and the old share again as the plan does, so that at the
 * usual values it is the plan itself. Taken in portions, so that a page can show progress and stop.
 *
 * @param seed the same seed gives the same figures
 * @returns undefined for a plan that stops or bleeds nothing: there is nothing to sample
 */
export function planSampler(request: PlanRequest, seed: number): PlanSampler | undefined {
  const plan = makePlan(request)
  const prepared = preparePlan(request)
  const { choice } = prepared
  if (plan.verdict === 'stop' || !choice.technique || prepared.corners.length === 0) return undefined
  return new PlanSampler(request, prepared, choice, plan, new Chance(seed))
}

export class PlanSampler {
  private readonly totals: number[] = []
  private readonly minutes: number[] = []
  private readonly worst: number[] = []
  private readonly bleeds: Bleed[]
  /** Each corner's run as one piece of its narrowest bore that resists as much: the same flow, while it is laminar. */
  private readonly runs: { length: Varying; boreMm: number }[]
  /** Of every line its length, then of every part what it holds, against the file. */
  private readonly factors: Float64Array
  private readonly fixedMl: number
  /** Of the stages that are not sampled. */
  private readonly fixed: TechniqueMinutes
  private readonly feeding: Feeding
  private readonly fed: { feed: Feed; ids: string[] }[]
  private readonly targetShare: number
  /** What the unit's closed branches let go into each corner. */
  private readonly closedMl: number[]

  constructor(
    private readonly request: PlanRequest,
    private readonly prepared: Prepared,
    private readonly choice: Choice,
    private readonly plan: ReturnType<typeof makePlan>,
    private readonly chance: Chance,
  ) {
    const { vehicle, work } = request
    const stages = plan.stages.filter(({ kind }) => kind === 'bleed')
    const lineAt = new Map(vehicle.lines.map((line, i) => [line, i]))
    const partAt = new Map(
      vehicle.parts.flatMap((part, i) => bleedersOf(part).map(({ id }) => [id, i] as const)),
    )
    const volumes = (fromUnit: boolean) =>
      passagesInOrder(
        vehicle,
        fromUnit ? [...prepared.corners, ...prepared.unitCorners] : prepared.opened,
        wearAtBleed(work),
        fromUnit,
        fromUnit ? 1 : prepared.feeding.atOnce,
      )
        .filter(({ id }) => prepared.corners.some(({ bleeder }) => bleeder.id === id))
        .map(
          ({ id, ownMl, usualMl, chamberMl, unitMl, lines }): Varying => ({
            fixed: ownMl - usualMl + chamberMl + unitMl,
            parts: [
              ...lines.map((line) => ({ of: lineAt.get(line) ?? 0, size: lineMl(line) })),
              { of: vehicle.lines.length + (partAt.get(id) ?? 0), size: usualMl },
            ],
          }),
        )
    // A vehicle of several systems has a stage for each; what follows a unit's routine is bled again.
    const isAgain = ({ reasons }: (typeof stages)[number]) => reasons.includes('base-bleed-again')
    const again = stages.filter(isAgain).length
    const [first, fromUnit] = [volumes(false), volumes(true)]
    const all = [...prepared.corners.keys()]
    this.bleeds = stages
      .filter((stage) => !isAgain(stage))
      .map(({ order }) => ({
        volumes: first,
        times: 1,
        opens: all.filter((k) => order.includes(prepared.corners[k]?.bleeder.id ?? '')),
        again: false,
      }))
    if (again > 0) this.bleeds.push({ volumes: fromUnit, times: again, opens: all, again: true })
    this.factors = new Float64Array(vehicle.lines.length + vehicle.parts.length).fill(1)
    this.runs = prepared.corners.map(({ route, segments }) => {
      const boreMm = Math.min(...segments.map((segment) => segment.boreMm))
      const parts = (route?.lines ?? []).map((line) => ({
        of: lineAt.get(line) ?? 0,
        size: line.segments.reduce((sum, each) => sum + each.lengthM * (boreMm / each.boreMm) ** 4, 0),
      }))
      return { length: { fixed: 0, parts }, boreMm }
    })
    this.fixedMl =
      plan.fluid.totalMl -
      stages.flatMap(({ mlByBleeder }) => Object.values(mlByBleeder ?? {})).reduce((sum, ml) => sum + ml, 0)
    const others = plan.stages.filter(({ kind }) => kind !== 'bleed')
    this.fixed = {
      fluidMinutes: others.reduce((sum, { fluidMinutes }) => sum + fluidMinutes, 0),
      handlingMinutes: others.reduce((sum, { handlingMinutes }) => sum + handlingMinutes, 0),
    }
    this.feeding = feedingOf(choice.technique)
    this.closedMl = closedBranchesMl(vehicle, [...prepared.corners, ...prepared.unitCorners])
    this.targetShare = prepared.targetPct / 100
    this.fed = prepared.amounts.reservoirs.map(({ reservoir, oldShare }) => ({
      feed: { maxMl: reservoir.maxMl, minMl: reservoir.minMl, oldShare },
      ids: fedBy(vehicle, reservoir.id, prepared.opened).map(({ bleeder }) => bleeder.id),
    }))
  }

  /** Take some more samples. */
  take(samples: number): void {
    for (let i = 0; i < samples; i++) {
      this.varyVehicle()
      this.sample(this.varied(), triangular(this.chance, spreads.handling))
    }
  }

  get taken(): number {
    return this.totals.length
  }

  /** The usual values themselves: what the plan says. */
  takeUsual(): void {
    this.factors.fill(1)
    this.sample(this.prepared.context, 1)
  }

  /** What the samples so far say; at least one must be taken. */
  spread(): PlanSpread {
    const totalMl = spreadOf(this.totals)
    const { containersMl } = this.request.shop
    return {
      samples: this.taken,
      totalMl,
      minutes: spreadOf(this.minutes),
      worstOldPct: spreadOf(this.worst),
      buyP50: chooseContainers(totalMl.p50, containersMl),
      buyP90: chooseContainers(totalMl.p90, containersMl),
    }
  }

  private varyVehicle(): void {
    const lines = this.request.vehicle.lines.length
    // Kept inside three deviations: no line is half as long as its file says.
    for (let i = 0; i < this.factors.length; i++)
      this.factors[i] =
        1 +
        (i < lines ? spreads.lengthShare : spreads.deadShare) *
          Math.max(-3, Math.min(3, this.chance.normal()))
  }

  private varied(): TechniqueContext {
    const { chance } = this
    const { context } = this.prepared
    const [least, most] = spreads.strokeShare
    return {
      ...context,
      tempC: context.tempC + spreads.tempC * chance.normal(),
      unknowns: {
        bleeder: { passage: usualBleeder.passage, holeMm: triangular(chance, spreads.holeMm) },
        strokeShare: least + (most - least) * chance.next(),
      },
    }
  }

  private sample(context: TechniqueContext, handling: number): void {
    const { corners, unitCorners, opened } = this.prepared
    const { factors } = this
    const known = new Map(opened.map(({ bleeder, volumeMl }) => [bleeder.id, volumeMl]))
    // What the unit's own pump moves is not sampled: it stays as the plan has it.
    const volumes = new Map(unitCorners.map(({ bleeder }) => [bleeder.id, known.get(bleeder.id) ?? 0]))
    const before = this.bleeds[0]?.volumes.map((volume) => atFactors(volume, factors)) ?? []
    for (const [k, { bleeder }] of corners.entries()) volumes.set(bleeder.id, before[k] ?? 0)
    const through = this.through(volumes)
    let totalMl = this.fixedMl
    let minutes = this.fixed.fluidMinutes + handling * this.fixed.handlingMinutes
    for (const { volumes: varying, times, opens, again } of this.bleeds) {
      let stageMl = 0
      const sampled = opens.flatMap((k): Corner[] => {
        const [corner, piece, volume] = [corners[k], this.runs[k], varying[k]]
        if (!corner || !volume) return []
        const throughMl = again
          ? againMl(atFactors(volume, factors), this.closedMl[k] ?? 0, this.targetShare)
          : (through.get(corner.bleeder.id) ?? cornerVolumes(this.targetShare) * (before[k] ?? 0))
        stageMl += throughMl
        const segments =
          piece && corner.route ? [{ lengthM: atFactors(piece.length, factors), boreMm: piece.boreMm }] : []
        const { part, bleeder, route } = corner
        return [{ part, bleeder, route, segments, throughMl }]
      })
      const taken = this.choice.technique.minutes({ ...context, corners: sampled })
      minutes += times * (taken.fluidMinutes + handling * taken.handlingMinutes)
      totalMl += times * stageMl
    }
    this.totals.push(totalMl)
    this.minutes.push(minutes)
    this.worst.push(100 * this.worstShare(volumes))
  }

  /** What the target takes at these volumes, the reservoirs begun as planned. */
  private through(volumes: ReadonlyMap<string, number>): Map<string, number> {
    const through = new Map<string, number>()
    for (const { feed, ids } of this.fed) {
      const least = leastThrough(
        feed,
        this.feeding,
        ids.map((id) => volumes.get(id) ?? 0),
        this.targetShare,
      )
      for (const [i, id] of ids.entries()) through.set(id, least[i]?.throughMl ?? 0)
    }
    return through
  }

  /** The planned amounts through the volumes as they are, the reservoir carried from wheel to wheel. */
  private worstShare(volumes: ReadonlyMap<string, number>): number {
    const { perBleederMl } = this.plan.fluid
    const shares = this.fed.flatMap(({ feed, ids }) =>
      outletsAfter(
        feed,
        this.feeding,
        ids.map((id) => ({ volumeMl: volumes.get(id) ?? 0, throughMl: perBleederMl[id] ?? 0 })),
      ),
    )
    return Math.max(0, ...shares)
  }
}

function triangular(chance: Chance, [least, likely, most]: readonly [number, number, number]): number {
  const share = chance.next()
  const turn = (likely - least) / (most - least)
  return share < turn
    ? least + Math.sqrt(share * (most - least) * (likely - least))
    : most - Math.sqrt((1 - share) * (most - least) * (most - likely))
}

function spreadOf(values: readonly number[]): Spread {
  const sorted = [...values].sort((a, b) => a - b)
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0
  return { p50: at(0.5), p90: at(0.9) }
}

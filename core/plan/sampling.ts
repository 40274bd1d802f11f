import { Chance } from '../base/random'
import { type Containers, chooseContainers } from '../physics/exchange/containers'
import { cornerOutletShare } from '../physics/exchange/reservoir-carry'
import { usualBleeder } from '../physics/hydraulics/bleeder'
import type { Choice } from '../technique/choose'
import type { Corner, MethodContext } from '../technique/technique'
import { reservoirIdOf } from '../vehicle/network'
import { makePlan } from './plan'
import { type Prepared, preparePlan, startShareOf } from './prepare'
import type { PlanRequest } from './request'
import { lineMl, passagesInOrder } from './volumes'

/** What is not known of a vehicle and a day, and how far it may be off; shown beside every result. @source from memory */
export const spreads = {
  /** Run lengths: one standard deviation of each line, as a share. */
  lengthShare: 0.1,
  /** Bleeder's hole as it stands open: least, likeliest and most. */
  holeMm: [1, usualBleeder.holeMm, 2],
  /** Share of a full stroke that a pull delivers: least and most, evenly. */
  strokeShare: [0.45, 0.75],
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

/** One bleed stage as it is worked, and how often. */
type Bleed = { volumes: Varying[]; times: number }

/** A sum of what each line brings, as long as its file says, and of what does not vary. */
type Varying = { fixed: number; parts: { line: number; size: number }[] }

const atLengths = ({ fixed, parts }: Varying, lengths: Float64Array): number => {
  let sum = fixed
  for (const { line, size } of parts) sum += size * (lengths[line] ?? 1)
  return sum
}

/**
 * A plan under what is not known, sampled: run lengths, the bleeder's opening, the stroke a pull delivers, the fluid's
 * temperature. Each sample computes the volumes, the minutes and the old share again as the plan does, so that at the
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
  private readonly lengths: Float64Array
  private readonly fixedMl: number
  private readonly fixedMinutes: number
  private readonly fed: { reservoirMl: number; startShare: number; ids: string[] }[]

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
    const volumes = (fromUnit: boolean) =>
      passagesInOrder(
        vehicle,
        fromUnit ? [...prepared.corners, ...prepared.unitCorners] : prepared.ordered.bleeders,
        work.padWearMm,
        fromUnit,
      )
        .filter(({ id }) => prepared.corners.some(({ bleeder }) => bleeder.id === id))
        .map(
          ({ ownMl, unitMl, lines }): Varying => ({
            fixed: ownMl + unitMl,
            parts: lines.map((line) => ({ line: lineAt.get(line) ?? 0, size: lineMl(line) })),
          }),
        )
    this.bleeds = [{ volumes: volumes(false), times: 1 }]
    if (stages.length > 1) this.bleeds.push({ volumes: volumes(true), times: stages.length - 1 })
    this.lengths = new Float64Array(vehicle.lines.length).fill(1)
    this.runs = prepared.corners.map(({ run, segments }) => {
      const boreMm = Math.min(...segments.map((segment) => segment.boreMm))
      const parts = (run?.lines ?? []).map((line) => ({
        line: lineAt.get(line) ?? 0,
        size: line.segments.reduce((sum, each) => sum + each.lengthM * (boreMm / each.boreMm) ** 4, 0),
      }))
      return { length: { fixed: 0, parts }, boreMm }
    })
    this.fixedMl = plan.fluid.totalMl - stages.reduce((sum, { ml }) => sum + ml, 0)
    this.fixedMinutes = plan.stages.reduce(
      (sum, stage) => sum + (stage.kind === 'bleed' ? 0 : stage.minutes),
      0,
    )
    this.fed = prepared.reservoirs.map((reservoir) => ({
      reservoirMl: reservoir.maxMl,
      startShare: startShareOf(reservoir, request, prepared),
      ids: prepared.ordered.bleeders
        .filter(({ run }) => run && reservoirIdOf(vehicle, run.sourceId) === reservoir.id)
        .map(({ bleeder }) => bleeder.id),
    }))
  }

  /** Take some more samples. */
  take(samples: number): void {
    for (let i = 0; i < samples; i++) {
      this.varyLengths()
      this.sample(this.varied())
    }
  }

  get taken(): number {
    return this.totals.length
  }

  /** The usual values themselves: what the plan says. */
  takeUsual(): void {
    this.lengths.fill(1)
    this.sample(this.prepared.context)
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

  private varyLengths(): void {
    // Kept inside three deviations: no line is half as long as its file says.
    for (let i = 0; i < this.lengths.length; i++)
      this.lengths[i] = 1 + spreads.lengthShare * Math.max(-3, Math.min(3, normal(this.chance)))
  }

  private varied(): MethodContext {
    const { chance } = this
    const { context } = this.prepared
    const [least, most] = spreads.strokeShare
    return {
      ...context,
      tempC: context.tempC + spreads.tempC * normal(chance),
      unknowns: {
        bleeder: { passage: usualBleeder.passage, holeMm: triangular(chance, spreads.holeMm) },
        strokeShare: least + (most - least) * chance.next(),
      },
    }
  }

  private sample(context: MethodContext): void {
    const { corners, unitCorners, ordered, theta } = this.prepared
    const { lengths } = this
    // What the unit's own pump moves is not sampled: it stays as the plan has it.
    const volumes = new Map<string, number>()
    for (const { bleeder } of unitCorners) volumes.set(bleeder.id, ordered.volumeMl.get(bleeder.id) ?? 0)
    let totalMl = this.fixedMl
    let minutes = this.fixedMinutes
    for (const [i, { volumes: varying, times }] of this.bleeds.entries()) {
      let stageMl = 0
      const sampled = corners.map(({ part, bleeder, run }, k): Corner => {
        const [volume, piece] = [varying[k], this.runs[k]]
        const ml = volume ? atLengths(volume, lengths) : 0
        if (i === 0) volumes.set(bleeder.id, ml)
        stageMl += theta * ml
        const segments =
          piece && run ? [{ lengthM: atLengths(piece.length, lengths), boreMm: piece.boreMm }] : []
        return { part, bleeder, run, segments, throughMl: theta * ml }
      })
      const taken = this.choice.technique.minutes({ ...context, corners: sampled })
      minutes += times * (taken.fluidMinutes + taken.handlingMinutes)
      totalMl += times * stageMl
    }
    this.totals.push(totalMl)
    this.minutes.push(minutes)
    this.worst.push(100 * this.worstShare(volumes))
  }

  /** The planned amounts through the volumes as they are, the reservoir carried from wheel to wheel. */
  private worstShare(volumes: ReadonlyMap<string, number>): number {
    const { perBleederMl } = this.plan.fluid
    let worst = 0
    for (const { reservoirMl, startShare, ids } of this.fed) {
      let share = startShare
      for (const id of ids) {
        const [volumeMl, throughMl] = [volumes.get(id) ?? 0, perBleederMl[id] ?? 0]
        if (volumeMl > 0) worst = Math.max(worst, cornerOutletShare(reservoirMl, share, volumeMl, throughMl))
        share *= Math.exp(-throughMl / reservoirMl)
      }
    }
    return worst
  }
}

/** Two even chances made one normal. @source Box and Muller 1958 */
function normal(chance: Chance): number {
  return Math.sqrt(-2 * Math.log(1 - chance.next())) * Math.cos(2 * Math.PI * chance.next())
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

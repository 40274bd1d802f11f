import { Chance } from '../chance'
import { type Containers, chooseContainers } from '../exchange/containers'
import { cornerOutletShare } from '../exchange/reservoir-carry'
import { usualBleeder } from '../hydraulics/bleeder'
import type { Choice } from '../method/choose'
import type { MethodContext } from '../method/method'
import { reservoirIdOf } from '../vehicle/network'
import type { Line } from '../vehicle/schema'
import { makePlan } from './plan'
import { type Prepared, preparePlan, startShareOf } from './prepare'
import type { PlanRequest } from './request'
import { lineMl, type Passage, passagesInOrder } from './volumes'

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
type Bleed = { passages: Passage[]; times: number }

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
  if (plan.verdict === 'stop' || !choice.method || prepared.corners.length === 0) return undefined
  return new PlanSampler(request, prepared, choice, plan, new Chance(seed))
}

export class PlanSampler {
  private readonly totals: number[] = []
  private readonly minutes: number[] = []
  private readonly worst: number[] = []
  private readonly bleeds: Bleed[]
  private readonly lines: readonly Line[]
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
    const passages = (fromUnit: boolean) =>
      passagesInOrder(vehicle, prepared.ordered.bleeders, work.padWearMm, fromUnit)
    this.bleeds = [{ passages: passages(false), times: 1 }]
    if (stages.length > 1) this.bleeds.push({ passages: passages(true), times: stages.length - 1 })
    this.lines = vehicle.lines
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
    for (let i = 0; i < samples; i++) this.sample(this.world())
  }

  get taken(): number {
    return this.totals.length
  }

  /** The usual values themselves: what the plan says. */
  takeUsual(): void {
    this.sample({ context: this.prepared.context, lengths: new Map() })
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

  private world(): World {
    const { chance } = this
    const lengths = new Map<Line, number>()
    // Kept inside three deviations: no line is half as long as its file says.
    for (const line of this.lines)
      lengths.set(line, 1 + spreads.lengthShare * Math.max(-3, Math.min(3, normal(chance))))
    const [least, most] = spreads.strokeShare
    return {
      lengths,
      context: {
        ...this.prepared.context,
        tempC: this.prepared.context.tempC + spreads.tempC * normal(chance),
        unknowns: {
          bleeder: { passage: usualBleeder.passage, holeMm: triangular(chance, spreads.holeMm) },
          strokeShare: least + (most - least) * chance.next(),
        },
      },
    }
  }

  private sample({ context, lengths }: World): void {
    const { theta } = this.prepared
    const stretched = new Map<Line, Line>()
    for (const [line, factor] of lengths)
      stretched.set(line, {
        ...line,
        segments: line.segments.map((segment) => ({ ...segment, lengthM: segment.lengthM * factor })),
      })
    const volumes = new Map<string, number>()
    let totalMl = this.fixedMl
    let minutes = this.fixedMinutes
    for (const [i, { passages, times }] of this.bleeds.entries()) {
      const sampled = this.prepared.corners.map((corner, k) => {
        const passage = passages[k]
        const ml = passage ? passageMl(passage, lengths) : 0
        if (i === 0) volumes.set(corner.bleeder.id, ml)
        const run = corner.run && {
          ...corner.run,
          lines: corner.run.lines.map((line) => stretched.get(line) ?? line),
        }
        return { ...corner, run, throughMl: theta * ml }
      })
      const taken = this.choice.method.minutes({ ...context, corners: sampled })
      minutes += times * (taken.fluidMinutes + taken.handlingMinutes)
      totalMl += times * sampled.reduce((sum, { throughMl }) => sum + throughMl, 0)
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

type World = { context: MethodContext; lengths: ReadonlyMap<Line, number> }

const passageMl = ({ ownMl, unitMl, lines }: Passage, lengths: ReadonlyMap<Line, number>): number =>
  lines.reduce((sum, line) => sum + lineMl(line) * (lengths.get(line) ?? 1), ownMl + unitMl)

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

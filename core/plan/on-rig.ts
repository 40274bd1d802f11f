import { type Fact, fact } from '../base/decision'
import { lineId } from '../rig/parts/line'
import { Rig } from '../rig/run'
import { techniqueOf } from '../technique/index'
import { bleederRuns, reservoirIdOf } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import { bleedSettings, type Plan, type Stage } from './answer'
import type { PlanRequest } from './request'

/** What a plan comes to when somebody does as it says on the simulated vehicle. */
export type OnRig = {
  ok: boolean
  /** Old share of what each bleeder’s outlet holds at the end, per cent; none where it was not run. */
  oldPct: Record<string, number>
  airMl: number
  /** New fluid that really went in. */
  usedMl: number
  ranDry: boolean
  minutes: number
  faults: Fact[]
}

/** A plan that ends within so much of its target has kept its word: tanks are no pipes. @source from memory */
export const WITHIN_TARGET = 1.3
/** Air that nobody could feel. @source from memory */
const AIR_LEFT_ML = 0.1
/** Air that opening leaves in a part. @source from memory */
const OPENED_AIR_ML = 3
/** A foot that bleeds, and the stop it would make, kPa. */
const BLEEDING_KPA = 700
const MOST_PULLS = 600
/** A pull that moves less than this has moved nothing. */
const NO_PULL_ML = 0.02
const PRESS_S = 0.5
const OPEN_S = 2.5
const CLOSE_S = 0.3
const UP_S = 1.5
const CYCLE_S = 60
/** Looked at so often while something else drives it. */
const LOOK_S = 2
const MOST_LOOKS = 5000

type Act = Parameters<Rig['do']>[0]

/** A technician who does what the plan says, no more and no less. */
class Technician {
  readonly faults: Fact[] = []
  /** Fed by a unit's own pump, which the rig has not. */
  readonly notSimulated = new Set<string>()
  ranDry = false
  private readonly feeds: Map<string, { cylinder: string; reservoir: string; effortN: number }>

  constructor(
    readonly rig: Rig,
    readonly request: PlanRequest,
    readonly plan: Plan,
  ) {
    const { vehicle } = request
    const cylinders = partsOf(vehicle, 'master-cylinder')
    this.feeds = new Map(
      bleederRuns(vehicle).flatMap(({ bleeder, part, run }) => {
        const source = run?.sourceId ?? (part.type === 'master-cylinder' ? part.chambers[0]?.id : undefined)
        const cylinder = cylinders.find(({ chambers }) => chambers.some(({ id }) => id === source))
        const chamber = cylinder?.chambers.find(({ id }) => id === source)
        if (!cylinder || !chamber || source === undefined) return []
        const areaMm2 = (Math.PI / 4) * chamber.boreMm ** 2
        return [
          [
            bleeder.id,
            {
              cylinder: cylinder.id,
              reservoir: reservoirIdOf(vehicle, source) ?? '',
              effortN: ((BLEEDING_KPA * areaMm2) / 1000 + 80) / cylinder.pedalRatio,
            },
          ] as const,
        ]
      }),
    )
  }

  private act(act: Record<string, unknown>): void {
    this.rig.happened.clear()
    this.rig.do({ for: 0.5, ...act } as unknown as Act)
    if (this.rig.happened.has('reservoir-dry')) this.ranDry = true
  }
  private tank = (id: string) => this.rig.assembly.tanks.find((each) => each.id === id)
  private outMl = (bleeder: string) => this.rig.came.get(bleeder)?.ml ?? 0

  private toMax(reservoir: string): void {
    const tank = this.tank(reservoir)
    if (tank && tank.levelMl < tank.maxMl)
      this.act({ do: 'pour', reservoir, ml: tank.maxMl - tank.levelMl, for: 0 })
  }
  private drawTo(reservoir: string, ml: number): void {
    const tank = this.tank(reservoir)
    if (tank && tank.levelMl > ml) this.act({ do: 'draw', reservoir, ml: tank.levelMl - ml, for: 0 })
  }

  work(): void {
    for (const stage of this.plan.stages) this.stage(stage)
    for (const { id } of this.rig.assembly.tanks) this.toMax(id)
  }

  private stage(stage: Stage): void {
    const reservoirs = this.rig.assembly.tanks.map(({ id }) => id)
    const { drawToMl, rinseMl } = this.plan.fluid
    switch (stage.kind) {
      case 'wipe-reservoir':
        for (const id of reservoirs) this.act({ do: 'wipe', reservoir: id, for: 0 })
        for (const id of reservoirs) this.toMax(id)
        break
      case 'reservoir-exchange':
        for (const id of reservoirs) {
          const drawTo = drawToMl[id]
          if (drawTo !== undefined) this.drawTo(id, drawTo)
          const rinse = rinseMl[id]
          if (drawTo !== undefined && rinse !== undefined) {
            this.act({ do: 'pour', reservoir: id, ml: rinse, for: 0 })
            this.drawTo(id, drawTo)
          }
          this.toMax(id)
        }
        break
      case 'slow-fill':
        for (const id of reservoirs) this.toMax(id)
        break
      case 'bench-bleed':
        for (const { id } of partsOf(this.request.vehicle, 'master-cylinder'))
          this.act({ do: 'bench', cylinder: id, strokes: 12, for: 0 })
        break
      case 'port-bleed':
        this.ports()
        break
      case 'control-unit':
        this.cannot(stage.order)
        for (const { id } of partsOf(this.request.vehicle, 'control-unit'))
          this.act({ do: 'cycle', unit: id, for: CYCLE_S })
        break
      case 'bleed':
        this.bleed(stage)
        break
      case 'leak-check':
      case 'wait':
      case 'prove':
        // Nothing that stays is moved.
        break
    }
  }

  /** What a unit's own pump does is not run, and said once. */
  private cannot(bleeders: readonly string[]): void {
    for (const bleeder of bleeders) {
      if (this.notSimulated.has(bleeder)) continue
      this.notSimulated.add(bleeder)
      this.faults.push(fact('rig-not-simulated', { bleeder }))
    }
  }

  /** Each chamber's port cracked with the pedal held, a few times over. */
  private ports(): void {
    for (const { id, cylinder } of this.rig.assembly.chambers)
      for (let pull = 0; pull < 6; pull++) {
        this.act({ do: 'press', cylinder, effortN: 100, overS: 0.2, for: PRESS_S })
        this.act({ do: 'crack', at: id, for: 1 })
        this.act({ do: 'tighten', at: id, for: CLOSE_S })
        this.act({ do: 'release', cylinder, overS: 0.3, for: UP_S })
        for (const tank of this.rig.assembly.tanks) if (tank.levelMl < tank.minMl) this.toMax(tank.id)
      }
  }

  private bleed({ order, mlByBleeder = {}, technique }: Stage): void {
    const way = technique === undefined ? undefined : techniqueOf(technique)
    if (!way) return
    const { pressureKPa = 0 } = bleedSettings(this.plan)
    const vacuumKPa = this.plan.vacuumKPa ?? 0
    const places = order.filter((id) => this.feeds.has(id))
    this.cannot(order.filter((id) => !this.feeds.has(id)))
    this.rig.came.clear()
    if (way.drives === 'foot' || way.drives === 'hand' || way.drives === 'unit') {
      for (const id of places) this.byPulls(id, mlByBleeder[id] ?? 0)
      return
    }
    const fed = way.feedsReservoir === true
    const reservoirs = [...new Set(places.map((id) => this.feeds.get(id)?.reservoir ?? ''))]
    for (const reservoir of reservoirs) {
      if (fed) this.act({ do: 'feed', reservoir, on: true, for: 0 })
      if (way.drives === 'machine') this.act({ do: 'pressurise', reservoir, kPa: pressureKPa, for: 1 })
    }
    const atOnce = way.bottlesAtOnce ?? 1
    for (let first = 0; first < places.length; first += atOnce)
      this.byFlow(places.slice(first, first + atOnce), mlByBleeder, way.drives === 'gravity' ? 0 : vacuumKPa)
    for (const reservoir of reservoirs) {
      if (way.drives === 'machine') this.act({ do: 'pressurise', reservoir, kPa: 0, for: 1 })
      if (fed) this.act({ do: 'feed', reservoir, on: false, for: 0 })
    }
  }

  /** Left open until so much has come. */
  private byFlow(group: readonly string[], wanted: Record<string, number>, vacuumKPa: number): void {
    const open = new Set(group)
    for (const bleeder of group) {
      this.act({ do: 'vacuum', bleeder, kPa: vacuumKPa, for: 0 })
      this.act({ do: 'open', bleeder, turns: 0.5, hose: 'under-fluid', for: 0 })
    }
    for (let look = 0; look < MOST_LOOKS && open.size > 0; look++) {
      const left = [...open].map((id) => (wanted[id] ?? 0) - this.outMl(id))
      const before = this.rig.ledger.out
      this.act({ do: 'wait', for: Math.min(...left) < 2 ? LOOK_S / 8 : LOOK_S })
      for (const bleeder of [...open]) {
        const { reservoir = '' } = this.feeds.get(bleeder) ?? {}
        const tank = this.tank(reservoir)
        if (tank && tank.fedAtMl === undefined && tank.levelMl <= tank.minMl) this.toMax(reservoir)
        if (this.outMl(bleeder) < (wanted[bleeder] ?? 0)) continue
        this.act({ do: 'close', bleeder, for: CLOSE_S })
        this.act({ do: 'vacuum', bleeder, kPa: 0, for: 0 })
        open.delete(bleeder)
      }
      if (look > 20 && this.rig.ledger.out - before < NO_PULL_ML / 100) break
    }
    for (const bleeder of open) {
      this.act({ do: 'close', bleeder, for: CLOSE_S })
      this.faults.push(fact('rig-no-flow', { bleeder }))
    }
  }

  /** Press, open, close, release, until so much has come. */
  private byPulls(bleeder: string, wantedMl: number): void {
    const { cylinder, reservoir, effortN } = this.feeds.get(bleeder) ?? {}
    if (cylinder === undefined || reservoir === undefined) return
    let empty = 0
    for (let pull = 0; pull < MOST_PULLS && this.outMl(bleeder) < wantedMl; pull++) {
      const before = this.outMl(bleeder)
      this.act({ do: 'press', cylinder, effortN, overS: 0.2, for: PRESS_S })
      this.act({ do: 'open', bleeder, turns: 0.5, hose: 'under-fluid', for: OPEN_S })
      this.act({ do: 'close', bleeder, for: CLOSE_S })
      this.act({ do: 'release', cylinder, overS: 0.3, for: UP_S })
      const tank = this.tank(reservoir)
      // One more pull must not go below MIN.
      if (tank && tank.levelMl - (this.outMl(bleeder) - before) < tank.minMl) this.toMax(reservoir)
      empty = this.outMl(bleeder) - before < NO_PULL_ML ? empty + 1 : 0
      if (empty < 3) continue
      this.faults.push(fact('rig-no-flow', { bleeder }))
      return
    }
  }
}

/** Air where the work has let it in: what was opened, and a cylinder that stood dry. */
function airOf({ vehicle, work }: PlanRequest): Record<string, number> {
  const lines = new Set(vehicle.lines.map(lineId))
  const opened = [...new Set([...work.opened, ...work.replaced])].filter(
    (id) =>
      lines.has(id) ||
      vehicle.parts.some((part) => part.id === id && part.type !== 'reservoir' && part.type !== 'pump'),
  )
  return Object.fromEntries(opened.map((id) => [id, OPENED_AIR_ML]))
}

/**
 * Levels as the work begins: a reservoir that is filled without being drawn down or wiped first stood dry, or as low as
 * somebody saw.
 */
function levelsOf({ vehicle, work }: PlanRequest, { stages, fluid }: Plan): Record<string, number> {
  const kinds = new Set(stages.map(({ kind }) => kind))
  if (!kinds.has('reservoir-exchange') || kinds.has('wipe-reservoir')) return {}
  return Object.fromEntries(
    partsOf(vehicle, 'reservoir').flatMap(({ id }) =>
      fluid.drawToMl[id] === undefined ? [[id, work.levelMl?.[id] ?? 0] as const] : [],
    ),
  )
}

/**
 * The plan's own acts by its own method, stage by stage, on the vehicle as a network: what each bleeder ends at, whether a
 * reservoir ran dry, what air is left. A plan that stops is not run.
 *
 * @source the rig; what a technician's hands take is from memory
 */
export function planOnRig(request: PlanRequest, plan: Plan): OnRig | undefined {
  if (plan.verdict === 'stop') return undefined
  const rig = new Rig({
    vehicle: request.vehicle,
    start: {
      oldPct: 100,
      newIn: [],
      levelMl: levelsOf(request, plan),
      airMl: airOf(request),
      closedAirMl: {},
      tempC: request.shop.tempC,
      boost: false,
    },
    faults: [],
  })
  const technician = new Technician(rig, request, plan)
  technician.work()
  const oldPct = Object.fromEntries(
    rig.assembly.outlets.flatMap(({ id, kind, of }) =>
      kind === 'bleeder' && !technician.notSimulated.has(id)
        ? [[id, 100 * rig.assembly.at(of).oldShare] as const]
        : [],
    ),
  )
  const { targetOldPct } = plan.fluid
  const missed =
    targetOldPct === undefined
      ? []
      : Object.keys(plan.expectedOldPct).filter((id) => (oldPct[id] ?? 0) > WITHIN_TARGET * targetOldPct)
  const faults = [
    ...technician.faults,
    ...(technician.ranDry ? [fact('rig-ran-dry')] : []),
    ...missed.map((bleeder) =>
      fact('rig-target-missed', { bleeder, endsPct: oldPct[bleeder], targetPct: targetOldPct }),
    ),
    ...(rig.airMl > AIR_LEFT_ML ? [fact('rig-air-left', { leftMl: rig.airMl })] : []),
  ]
  return {
    ok: faults.length === 0,
    oldPct,
    airMl: rig.airMl,
    usedMl: rig.ledger.poured,
    ranDry: technician.ranDry,
    minutes: rig.atS / 60,
    faults,
  }
}

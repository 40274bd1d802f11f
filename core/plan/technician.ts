import { type Fact, fact } from '../base/decision'
import type { Rig } from '../rig/run'
import { techniqueOf } from '../technique/index'
import { partsOf } from '../vehicle/parts'
import { bleedSettings, type Plan, type Stage } from './answer'
import { type Feed, feedsOf } from './feeds'
import { holdValves } from './hold-valves'
import type { PlanRequest } from './request'

const MOST_PULLS = 600
/** A pull that moves less than this has moved nothing. */
const NO_PULL_ML = 0.02
const PRESS_S = 0.5
const OPEN_S = 2.5
const CLOSE_S = 0.3
/** Slowly: fluid has to go back through the compensating port. @source from memory */
const PRESS_HOME_S = 20
const UP_S = 1.5
/** Slowly, so that what rises has risen. @source common practice */
const SLOW_STROKE_S = 5
const CYCLE_S = 60
/** Five times what fine bubbles take to rise. */
const ALL_RISEN_S = 240
/** Pulls at each wheel while its valves pulse. @source from memory */
const PULSED_PULLS = 4
/** Looked at so often while something else drives it. */
const LOOK_S = 2
const FIRST_LOOK_S = 0.2
/** … and no later than when this has come. */
const LOOK_ML = 2
const MOST_LOOKS = 5000

type Act = Parameters<Rig['do']>[0]

/** A technician at the simulated vehicle who does what the plan says, no more and no less. */
export class Technician {
  readonly faults: Fact[] = []
  /** Bleeders that nothing of what the plan says can drive here; said once. */
  readonly notSimulated = new Set<string>()
  ranDry = false
  overflowed = false
  /** How long fluid ran with nobody pressing. */
  flowedS = 0
  /** By reservoir, from when it was first filled or found full. */
  readonly leastMl: Record<string, number> = {}
  private readonly filled = new Set<string>()
  private moving = false
  private readonly feeds: Map<string, Feed>

  constructor(
    readonly rig: Rig,
    readonly request: PlanRequest,
    readonly plan: Plan,
  ) {
    this.feeds = feedsOf(request.vehicle)
  }

  private act(act: Record<string, unknown>): void {
    this.rig.happened.clear()
    this.rig.do({ for: 0.5, ...act } as unknown as Act)
    if (this.rig.happened.has('reservoir-dry')) this.ranDry = true
    if (this.rig.happened.has('overflow')) this.overflowed = true
    for (const { id, levelMl, maxMl } of this.rig.assembly.tanks) {
      if (levelMl >= maxMl - 1e-6) this.filled.add(id)
      // Drawing down before the first bleeder is the plan's own doing.
      if (this.filled.has(id) && this.moving) this.leastMl[id] = Math.min(this.leastMl[id] ?? maxMl, levelMl)
    }
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
    for (const [i, stage] of this.plan.stages.entries()) this.stage(stage, this.reservoirsAt(i))
    for (const { id } of this.rig.assembly.tanks) this.toMax(id)
  }

  /** Separate systems are begun one after the other: a stage is for the reservoirs of the bleeders that come next. */
  private reservoirsAt(i: number): string[] {
    const all = this.rig.assembly.tanks.map(({ id }) => id)
    const { stages } = this.plan
    if (stages.filter(({ kind }) => kind === stages[i]?.kind).length < 2) return all
    const next = stages.slice(i).find(({ order }) => order.length > 0)?.order ?? []
    const feeding = new Set(next.map((id) => this.feeds.get(id)?.reservoir))
    return all.filter((id) => feeding.has(id))
  }

  /** Room made below MAX, and pistons pressed home for new pads. */
  private pistonsHome({ before }: Stage): void {
    for (const [i, { pressesHome = [], reservoir }] of before.entries()) {
      if (pressesHome.length === 0 || reservoir === undefined) continue
      const room = before[i - 1]
      if (room?.asksMl === 'drawn' && room.reservoir === reservoir)
        this.drawTo(reservoir, room.drawsToMl ?? 0)
      for (const brake of pressesHome) this.act({ do: 'push-back', brake, for: PRESS_HOME_S })
    }
  }

  private stage(stage: Stage, reservoirs: readonly string[]): void {
    for (const step of stage.before) holdValves(this.rig, step)
    this.atStage(stage, reservoirs)
    for (const step of stage.after) holdValves(this.rig, step)
  }

  private atStage(stage: Stage, reservoirs: readonly string[]): void {
    this.pistonsHome(stage)
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
          this.act({ do: 'bench', cylinder: id, strokes: 12, everyS: SLOW_STROKE_S, for: 0 })
        break
      case 'port-bleed':
        this.ports()
        break
      case 'control-unit':
        this.byUnit(stage)
        break
      case 'bleed':
        this.bleed(stage)
        break
      case 'wait':
        // What was broken up on the bench rises meanwhile; after that nothing changes any more.
        this.act({ do: 'wait', for: Math.min(stage.minutes * 60, ALL_RISEN_S) })
        break
      case 'leak-check':
      case 'prove':
        // Nothing that stays is moved.
        break
    }
  }

  /** The unit's routine: its own brakes until so much has come, one bleeder at a time, else its valves alone. */
  private byUnit({ order, mlByBleeder = {} }: Stage): void {
    const units = partsOf(this.request.vehicle, 'control-unit').map(({ id }) => id)
    const [unit] = units
    this.rig.came.clear()
    for (const bleeder of order) {
      const feed = this.feeds.get(bleeder)
      if (!feed || unit === undefined) this.cannot([bleeder])
      else if (feed.foot) this.pulsed(bleeder, unit)
      else this.pumped(bleeder, unit, feed.reservoir, mlByBleeder[bleeder] ?? 0)
    }
    if (order.length === 0) for (const id of units) this.act({ do: 'cycle', unit: id, for: CYCLE_S })
  }

  /** Its pump pushes through one bleeder, an inverted bottle on the reservoir. */
  private pumped(bleeder: string, unit: string, reservoir: string, wantedMl: number): void {
    this.act({ do: 'feed', reservoir, on: true, for: 0 })
    this.act({ do: 'open', bleeder, turns: 0.5, hose: 'under-fluid', for: 0 })
    let before = -1
    for (let look = 0; look < MOST_LOOKS && this.outMl(bleeder) < wantedMl; look++) {
      if (this.outMl(bleeder) - before < NO_PULL_ML) break
      before = this.outMl(bleeder)
      this.act({ do: 'cycle', unit, for: LOOK_S })
    }
    this.act({ do: 'close', bleeder, for: CLOSE_S })
    this.act({ do: 'feed', reservoir, on: false, for: 0 })
    if (this.outMl(bleeder) < wantedMl) this.faults.push(fact('rig-no-flow', { bleeder }))
  }

  /** It pulses its valves while one bleeder is open and the pedal is pumped. */
  private pulsed(bleeder: string, unit: string): void {
    const { foot, reservoir = '' } = this.feeds.get(bleeder) ?? {}
    if (!foot) return
    for (let pull = 0; pull < PULSED_PULLS; pull++) {
      this.act({ do: 'press', cylinder: foot.cylinder, effortN: foot.effortN, overS: 0.2, for: PRESS_S })
      this.act({ do: 'open', bleeder, turns: 0.5, hose: 'under-fluid', for: 0 })
      this.act({ do: 'cycle', unit, for: OPEN_S })
      this.act({ do: 'close', bleeder, for: CLOSE_S })
      this.act({ do: 'release', cylinder: foot.cylinder, overS: 0.3, for: UP_S })
      const tank = this.tank(reservoir)
      if (tank && tank.levelMl < tank.minMl) this.toMax(reservoir)
    }
  }

  /** Nothing of what is planned can drive these here; said once. */
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

  private bleed(stage: Stage): void {
    // In the middle of a routine the unit works before the foot does.
    if (stage.before.some(({ who, awaits }) => who === 'tool' && awaits !== undefined))
      for (const { id } of partsOf(this.request.vehicle, 'control-unit'))
        this.act({ do: 'cycle', unit: id, for: CYCLE_S })
    this.moving = true
    this.bleedBy(stage)
    this.moving = false
  }

  private bleedBy({ order, mlByBleeder = {}, technique }: Stage): void {
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
    const began = this.rig.atS
    this.letFlow(group, wanted, vacuumKPa)
    this.flowedS += this.rig.atS - began
  }

  private letFlow(group: readonly string[], wanted: Record<string, number>, vacuumKPa: number): void {
    const open = new Set(group)
    for (const bleeder of group) {
      this.act({ do: 'vacuum', bleeder, kPa: vacuumKPa, for: 0 })
      this.act({ do: 'open', bleeder, turns: 0.5, hose: 'under-fluid', for: 0 })
    }
    let waits = FIRST_LOOK_S
    for (let look = 0; look < MOST_LOOKS && open.size > 0; look++) {
      const before = this.rig.ledger.out
      this.act({ do: 'wait', for: waits })
      // The quicker it runs, the sooner somebody looks again.
      const mlPerS = (this.rig.ledger.out - before) / waits
      waits = Math.max(FIRST_LOOK_S, Math.min(LOOK_S, LOOK_ML / Math.max(mlPerS, 1e-6)))
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
      this.act({ do: 'vacuum', bleeder, kPa: 0, for: 0 })
      this.faults.push(fact('rig-no-flow', { bleeder }))
    }
  }

  /** Press, open, close, release, until so much has come. */
  private byPulls(bleeder: string, wantedMl: number): void {
    const { foot, reservoir } = this.feeds.get(bleeder) ?? {}
    if (!foot || reservoir === undefined) {
      this.cannot([bleeder])
      return
    }
    const { cylinder, effortN } = foot
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

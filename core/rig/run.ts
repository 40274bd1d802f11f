import { boosterOf } from '../vehicle/booster'
import type { Vehicle } from '../vehicle/schema'
import { begin } from './acts'
import { assemble } from './assemble'
import { frothRisesPerS } from './bench'
import type { Assembly, Outlet, Tank } from './build'
import { type Carried, type Outside, Transport } from './carry'
import type { Link } from './link'
import { type RigAct, type RigRequest, usualStart } from './request'
import { rise, waysUp } from './rise'
import { fill } from './start'
import { stopUnit } from './unit-work'
import { usual } from './usual'

const FIRST_STEP_S = 1e-3
const SHORTEST_STEP_S = 5e-5
const LONGEST_STEP_S = 0.25
/** An act of less takes no time; what goes on during it is done at once. */
const NO_TIME_S = 1e-12
export const AT_ONCE_S = 1e-9
/** A step moves no piston and no fluid further than this. */
const MOST_MM = 0.8
const MOST_ML = 1.5
/** What a syringe or a lever pushes in is felt at once: a step brings no more of it, or pressure would jump and burst out. */
const MOST_PUSHED_ML = 0.1
/** Fine bubbles that cloud a reservoir. @source from memory */
const SEEN_FROTH_ML = 0.05
/** Air that is nothing but rounding. */
const NO_AIR_ML = 1e-6

export const happenings = ['air-drawn', 'reservoir-dry', 'overflow', 'froth'] as const
export type Happened = (typeof happenings)[number]
type Came = { ml: number; oldMl: number; airMl: number }
type Foot = { from: number; to: number; begins: number; overS: number }

/** What has been brought in and taken out since the start, mL of liquid; air at atmospheric pressure beside it. */
export type Ledger = {
  poured: number
  drawn: number
  out: number
  leaked: number
  spilled: number
  airIn: number
  airOut: number
  /** Old liquid among all that went out, less what came back. */
  oldGone: number
}

/** A vehicle as somebody comes to it: what is left out of its start is as usual, and it is sound unless it says so. */
export type AsItStands = {
  vehicle: Vehicle
  start?: Partial<RigRequest['start']>
  faults?: RigRequest['faults']
}

/** A vehicle under somebody's hands: what is done to it moves time on. Same acts, same state. */
export class Rig {
  readonly assembly: Assembly
  atS = 0
  readonly ledger: Ledger = {
    poured: 0,
    drawn: 0,
    out: 0,
    leaked: 0,
    spilled: 0,
    airIn: 0,
    airOut: 0,
    oldGone: 0,
  }
  readonly happened = new Set<Happened>()
  /** How many were tried, and how many stand as near as they came at the shortest. */
  readonly steps = { tried: 0, unsettled: 0 }
  /** Of every outlet, since it was last asked for. */
  readonly came = new Map<string, Came>()
  /** Air that went by in a hose and never was in the vehicle, by bleeder: it is seen, and counts as nothing that came. */
  readonly falseAirMl = new Map<string, number>()
  private readonly network: ReturnType<Assembly['network']>
  private readonly transport: Transport
  private readonly ups: ReturnType<typeof waysUp>
  private readonly frothRisesPerS: number
  private readonly kPaBefore: Float64Array
  private readonly flowBefore: Float64Array
  private readonly outside = new Map<number, Outside>()
  readonly feet = new Map<string, Foot>()
  readonly vacuumKPa = new Map<string, number>()
  private readonly boost: number
  private readonly heldAtFirstMl: number

  /** @param fineness steps are so many times shorter than they need be: for whoever checks that it changes nothing */
  constructor(
    request: AsItStands,
    private readonly fineness = 1,
  ) {
    const { vehicle, faults = [] } = request
    const start = { ...usualStart, ...request.start }
    this.assembly = assemble(vehicle, start, faults)
    this.network = this.assembly.network()
    this.boost = start.boost && boosterOf(vehicle) !== 'none' ? usual.boost : 1
    fill(this.assembly, start)
    for (const tank of this.assembly.tanks) this.outside.set(tank.cell, this.asOutside(tank))
    for (const outlet of this.assembly.outlets) this.outside.set(outlet.cell, this.atOutlet(outlet))
    this.transport = new Transport(this.assembly.cells, this.assembly.links, this.outside)
    this.ups = waysUp(this.assembly)
    this.frothRisesPerS = frothRisesPerS(this.assembly)
    this.kPaBefore = new Float64Array(this.assembly.cells.length)
    this.flowBefore = new Float64Array(this.assembly.links.length)
    this.heldAtFirstMl = this.heldMl
  }

  /** Liquid in cells and reservoirs. */
  get heldMl(): number {
    const { cells, fixed, tanks } = this.assembly
    const inside = cells.reduce((sum, cell, i) => sum + (fixed.has(i) ? 0 : cell.liquidMl), 0)
    return tanks.reduce((sum, { levelMl }) => sum + levelMl, inside)
  }
  /** Old liquid among it. */
  get oldMl(): number {
    const { cells, fixed, tanks } = this.assembly
    const inside = cells.reduce(
      (sum, cell, i) => sum + (fixed.has(i) ? 0 : (cell.tube?.oldMl ?? cell.oldMl)),
      0,
    )
    return tanks.reduce((sum, { oldMl }) => sum + oldMl, inside)
  }
  get heldMoreMl(): number {
    return this.heldMl - this.heldAtFirstMl
  }
  get airMl(): number {
    const { cells, fixed } = this.assembly
    return cells.reduce((sum, cell, i) => sum + (fixed.has(i) ? 0 : cell.airMl), 0)
  }
  pedalMm(cylinder: string): number {
    return this.assembly.chambers.reduce(
      (sum, chamber) =>
        chamber.cylinder === cylinder
          ? sum + chamber.pedalRatio * (this.assembly.at(chamber.cell).piston?.atMm ?? 0)
          : sum,
      0,
    )
  }

  /** Do something, and let its time run. */
  do(act: RigAct): void {
    const until = this.atS + act.for
    const { during, mlPerS } = begin(this, act)
    // What takes no time is done all the same.
    if (act.for <= NO_TIME_S) during(AT_ONCE_S)
    const longest =
      Math.min(LONGEST_STEP_S, mlPerS > 0 ? MOST_PUSHED_ML / mlPerS : LONGEST_STEP_S) / this.fineness
    let dt = FIRST_STEP_S / this.fineness
    while (this.atS < until - NO_TIME_S) dt = this.step(Math.min(dt, until - this.atS, longest), during)
    if (act.do === 'cycle') stopUnit(this.assembly, act.unit)
    if (this.assembly.tanks.some(({ frothMl }) => frothMl > SEEN_FROTH_ML)) this.happened.add('froth')
  }

  private asOutside(tank: Tank): Outside {
    return {
      gives: () => {
        const dry = tank.levelMl <= tank.portsMl
        if (dry) this.happened.add('reservoir-dry')
        const froth = tank.frothMl / Math.max(1e-9, tank.levelMl + tank.frothMl)
        return { oldShare: tank.levelMl > 0 ? tank.oldMl / tank.levelMl : 0, airShare: dry ? 1 : froth }
      },
      takes: ({ liquidMl, oldMl, airMl }) => {
        tank.levelMl += liquidMl
        tank.oldMl += oldMl
        this.ledger.airOut += airMl
      },
      lost: ({ liquidMl, oldMl, airMl }) => {
        tank.levelMl -= liquidMl
        tank.oldMl -= oldMl
        tank.frothMl = Math.max(0, tank.frothMl - airMl)
        this.drewIn(airMl)
      },
    }
  }

  private atOutlet(outlet: Outlet): Outside {
    const count = ({ liquidMl, oldMl, airMl }: Carried, sign: 1 | -1) => {
      this.ledger[outlet.kind === 'leak' ? 'leaked' : 'out'] += sign * liquidMl
      this.ledger.oldGone += sign * oldMl
      if (outlet.kind === 'leak') return
      const came = this.came.get(outlet.id) ?? { ml: 0, oldMl: 0, airMl: 0 }
      this.came.set(outlet.id, {
        ml: came.ml + sign * liquidMl,
        oldMl: came.oldMl + sign * oldMl,
        airMl: came.airMl + sign * airMl,
      })
    }
    return {
      gives: () => ({ oldShare: outlet.bottleOld, airShare: outlet.hose === 'under-fluid' ? 0 : 1 }),
      takes: (carried) => {
        count(carried, 1)
        this.ledger.airOut += carried.airMl
        if (carried.liquidMl > 0) outlet.bottleOld = carried.oldMl / carried.liquidMl
      },
      lost: (carried) => {
        count(carried, -1)
        this.drewIn(carried.airMl)
      },
    }
  }

  private drewIn(airMl: number): void {
    this.ledger.airIn += airMl
    if (airMl > NO_AIR_ML) this.happened.add('air-drawn')
  }

  tank = (id: string): Tank => this.assembly.tanks.find((each) => each.id === id) as Tank
  outlet = (id: string): Outlet => this.assembly.outlets.find((each) => each.id === id) as Outlet

  /** A joint by its name: a chamber's port or a line's far end. */
  joint = (id: string): Outlet =>
    this.assembly.outlets.find((each) => each.kind === 'joint' && each.id === id) as Outlet

  effortN(cylinder: string, atS: number): number {
    const foot = this.feet.get(cylinder)
    if (!foot) return 0
    const share = Math.min(1, (atS - foot.begins) / foot.overS)
    return foot.from + share * (foot.to - foot.from)
  }

  draw(tank: Tank, ml: number): void {
    const drawn = Math.min(ml, tank.levelMl)
    this.loseOld(tank, drawn)
    tank.levelMl -= drawn
    this.ledger.drawn += drawn
  }

  private loseOld(tank: Tank, ml: number): void {
    const oldMl = tank.levelMl > 0 ? (tank.oldMl * ml) / tank.levelMl : 0
    tank.oldMl -= oldMl
    this.ledger.oldGone += oldMl
  }

  spill(): void {
    for (const tank of this.assembly.tanks) {
      const over = tank.levelMl - usual.brimShare * tank.maxMl
      if (over <= 0) continue
      this.happened.add('overflow')
      this.loseOld(tank, over)
      tank.levelMl -= over
      this.ledger.spilled += over
    }
  }

  /** One step, as long as it may be. @returns how long the next one might be */
  private step(wanted: number, during: (dt: number) => void): number {
    const { assembly, network } = this
    const { cells, links, chambers, tanks, outlets } = assembly
    for (const { cell, port, noReturn } of chambers) {
      const at = cells[cell]?.piston?.atMm ?? 0
      assembly.way(port).open = noReturn ? 0 : Math.max(0, 1 - at / usual.portShutMm)
    }
    for (const { link, cell, opensAt, held } of assembly.gates)
      assembly.way(link).outOpen = held ? 1 : opensAt(assembly.at(cell).kPa)
    for (const tank of tanks) assembly.at(tank.cell).kPa = tank.pressureKPa
    for (const outlet of outlets) assembly.at(outlet.cell).kPa = -(this.vacuumKPa.get(outlet.id) ?? 0)
    for (let i = 0; i < cells.length; i++) this.kPaBefore[i] = assembly.at(i).kPa
    for (let l = 0; l < links.length; l++) this.flowBefore[l] = assembly.way(l).flow
    let dt = wanted
    let far = 0
    for (;;) {
      for (const { cylinder, pedalRatio, cell } of chambers) {
        const { piston } = assembly.at(cell)
        if (piston) piston.forceN = this.effortN(cylinder, this.atS + dt) * pedalRatio * this.boost
      }
      const settled = network.solve(dt)
      far = this.howFar(dt)
      this.steps.tried += 1
      if (settled && far <= 1) break
      if (dt <= SHORTEST_STEP_S) {
        if (!settled) this.steps.unsettled += 1
        break
      }
      for (let i = 0; i < cells.length; i++) assembly.at(i).kPa = this.kPaBefore[i] as number
      for (let l = 0; l < links.length; l++) assembly.way(l).flow = this.flowBefore[l] as number
      dt *= settled ? Math.max(0.1, 0.8 / far) : 0.5
    }
    for (const { cell } of chambers) {
      const it = assembly.at(cell)
      if (it.piston) it.piston.atMm = it.pistonAtMm(it.kPa, dt)
    }
    this.transport.carry(dt)
    rise(this.ups, dt)
    during(dt)
    this.pastThreads(dt)
    for (const tank of tanks) {
      this.keepFed(tank)
      if (tank.frothMl > 0) tank.frothMl *= Math.exp(-dt * this.frothRisesPerS)
    }
    this.spill()
    this.atS += dt
    return Math.max(SHORTEST_STEP_S, dt * Math.min(2, 0.9 / far))
  }

  /** What a vacuum draws past a thread goes by in the hose, open or closed, and never comes into the system. */
  private pastThreads(dt: number): void {
    for (const [id, kPa] of this.vacuumKPa) {
      const airMl = usual.threadMlPerSKPa * kPa * dt
      if (airMl > 0) this.falseAirMl.set(id, (this.falseAirMl.get(id) ?? 0) + airMl)
    }
  }

  private keepFed(tank: Tank): void {
    const short = (tank.fedAtMl ?? 0) - tank.levelMl
    if (tank.fedAtMl === undefined || short <= 0) return
    tank.levelMl += short
    this.ledger.poured += short
  }

  /** How far a step moved fluid and pistons, as a share of the most that it may. */
  private howFar(dt: number): number {
    const { links, chambers } = this.assembly
    let most = 0
    for (let l = 0; l < links.length; l++) most = Math.max(most, Math.abs((links[l] as Link).flow))
    let far = (most * dt) / MOST_ML
    for (const { cell } of chambers) {
      const it = this.assembly.at(cell)
      if (it.piston) far = Math.max(far, Math.abs(it.pistonAtMm(it.kPa, dt) - it.piston.atMm) / MOST_MM)
    }
    return far * this.fineness
  }
}

import { type FluidSpec, fluidOf } from '../fluid/specs'
import { densityKgM3 } from '../physics/hydraulics/density'
import type { Liquid } from '../physics/hydraulics/flow'
import { viscosityMm2PerS } from '../physics/hydraulics/viscosity'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import { Cell, type CellShape } from './cell'
import { Link, type LinkShape } from './link'
import { Network, type Ring } from './network'

/** Where a part is reached in one circuit: the cell that a line ends at, and the one that leaves it. */
export type Door = { in: number; out: number }

/** A reservoir outside the forest: a level, not a pressure, is what it has. */
export type Tank = {
  id: string
  cell: number
  maxMl: number
  minMl: number
  portsMl: number
  levelMl: number
  oldMl: number
  /** Fine bubbles that are still rising in it, mL at atmospheric pressure. */
  frothMl: number
  pressureKPa: number
  /** Kept by a machine or a bottle at this level; undefined while nothing feeds it. */
  fedAtMl?: number
}

/** One chamber with the ways to its reservoir. */
export type Chamber = {
  id: string
  cylinder: string
  pedalRatio: number
  cell: number
  port: number
  cup: number
  /** The way by which a ring around its piston fills again. */
  ring?: { refill: number }
  /** Its compensating port stays shut. */
  noReturn?: boolean
}

/** A way out that somebody can open: a bleeder, a cracked port, a line's far end, a leak. */
export type Outlet = {
  id: string
  kind: 'bleeder' | 'joint' | 'leak'
  link: number
  /** The air, or the bottle, that it opens into. */
  cell: number
  /** The cell it leaves. */
  of: number
  hose: 'open' | 'under-fluid' | 'check-valve'
  /** Old share of what lies over the hose’s end. */
  bottleOld: number
}

/** A control unit’s closed branch, and the ways that lead into it. */
export type Branch = {
  unit: string
  cell: number
  link: number
  circuit: string
  /** How far its way stands open while the unit rests: 0 but for one that pressure reaches. */
  restsOpen: number
}

/** A pump inside a by-wire unit: how its way from the reservoir is while it runs, and at rest. */
export type Pump = {
  id: string
  link: number
  running: Pick<Link, 'boostKPa' | 'out' | 'back'>
  resting: Pick<Link, 'boostKPa' | 'out' | 'back'>
}

/** A valve’s way outwards that is open by the pressure before it, unless somebody holds it open. */
export type Gate = {
  valve: string
  link: number
  /** Where the pressure is that moves it. */
  cell: number
  /** How far it is open at a pressure, 0 to 1. */
  opensAt: (kPa: number) => number
  held: boolean
}

/** The parts of a vehicle as they are put together into one network. */
export class Assembly {
  readonly cells: Cell[] = []
  readonly links: Link[] = []
  readonly fixed = new Set<number>()
  readonly doors = new Map<string, Door>()
  readonly tanks: Tank[] = []
  readonly chambers: Chamber[] = []
  readonly outlets: Outlet[] = []
  readonly branches: Branch[] = []
  readonly pumps: Pump[] = []
  readonly gates: Gate[] = []
  readonly rings: Ring[] = []
  /** Cells of a brake's pistons, with what they hold by standing out. */
  readonly worn = new Map<string, { cell: number; ml: number }[]>()
  readonly liquid: Liquid

  constructor(
    readonly vehicle: Vehicle,
    readonly tempC: number,
    /** Wheels off the ground: what an axle’s load holds open is shut. */
    readonly axlesHang = false,
  ) {
    const fluid = fluidOf(vehicle.fluid.spec as FluidSpec)
    this.liquid = {
      mm2PerS: viscosityMm2PerS(fluid.typical, tempC),
      densityKgM3: densityKgM3(fluid, tempC),
    }
  }

  cell(shape: CellShape): number {
    return this.cells.push(new Cell(shape)) - 1
  }
  /** Its pressure is given: the air, a reservoir. */
  outside(shape: CellShape): number {
    const cell = this.cell(shape)
    this.fixed.add(cell)
    return cell
  }
  link(shape: LinkShape): number {
    return this.links.push(new Link(shape)) - 1
  }
  at = (cell: number): Cell => this.cells[cell] as Cell
  way = (link: number): Link => this.links[link] as Link

  network(): Network {
    return new Network(this.cells, this.links, this.fixed, this.liquid.densityKgM3, this.rings)
  }

  /** How far a part stands above the first reservoir: by the file, else as parts usually lie. */
  heightM(id: string, usualM: number): number {
    const reservoir = partsOf(this.vehicle, 'reservoir')[0]
    const part = this.vehicle.parts.find((each) => each.id === id)
    return part?.at && reservoir?.at ? part.at.zM - reservoir.at.zM : usualM
  }
}

export const doorKey = (part: string, circuit: string): string => `${part}\n${circuit}`

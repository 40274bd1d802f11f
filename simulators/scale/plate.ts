import { Chance } from '~core/base/random'
import type { ScaleSaid } from '~core/scale/lines'

/** What the scale may do wrong. */
export const moods = ['sound', 'silent', 'stuck', 'nonsense', 'over'] as const

/** How the stand-in’s dials are set. */
export type Dials = {
  /** Its display moves by so much, g. */
  stepG: number
  capacityG: number
  /** One standard deviation of what it adds to each reading, g. */
  noiseG: number
  /** By how much it drifts in a minute, g. */
  creepsG: number
  /** Something that leans on the bottle, g. */
  leansG: number
  mood: (typeof moods)[number]
}

export const firstDials: Dials = {
  stepG: 0.1,
  capacityG: 5000,
  noiseG: 0.15,
  creepsG: 0,
  leansG: 0,
  mood: 'sound',
}

/** What a knock does to the readings that follow, g. */
const KNOCK = [40, -25, 12, -6, 2]
/** What an empty bottle weighs, the first and each that takes its place, g. */
const EMPTY_G = [61.2, 58.4, 64, 59.5]

/** A plate with a catch bottle on it. */
export class Plate {
  dials: Dials = firstDials
  isLifted = false
  fluidG = 0
  private bottles = 0
  private crept = 0
  private knocks: number[] = []
  private stuckAt?: number

  constructor(private readonly chance: Chance = new Chance(1)) {}

  pour(grams: number): void {
    this.fluidG += grams
  }
  lift(lifted: boolean): void {
    this.isLifted = lifted
  }
  knock(): void {
    this.knocks = [...KNOCK]
  }
  /** An empty bottle takes the place of the one that stands there. */
  change(): void {
    this.bottles++
    this.fluidG = 0
  }
  pass(seconds: number): void {
    this.crept += (this.dials.creepsG * seconds) / 60
  }

  /** What it says next; undefined where it says nothing. */
  says(): ScaleSaid | string | undefined {
    const { mood, stepG, capacityG, noiseG, leansG } = this.dials
    if (mood === 'silent') return undefined
    if (mood === 'nonsense') return 'it is about 12 or so'
    const bottleG = this.isLifted ? 0 : (EMPTY_G[this.bottles % EMPTY_G.length] ?? 60) + this.fluidG + leansG
    const trueG = bottleG + this.crept + (this.knocks.shift() ?? 0) + noiseG * this.chance.normal()
    if (mood === 'over' || trueG > capacityG) return { says: 'over' }
    const shownG = Math.round(Math.round(trueG / stepG) * stepG * 100) / 100
    if (mood !== 'stuck') this.stuckAt = undefined
    else this.stuckAt ??= shownG
    return { says: 'grams', grams: this.stuckAt ?? shownG }
  }
}

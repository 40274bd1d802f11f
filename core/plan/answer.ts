import type { Notice, Reason } from '../base/decision'
import type { FluidSpec } from '../fluid/specs'
import type { Containers } from '../physics/exchange/containers'
import type { NotTaken } from '../technique/choose'
import type { Step } from '../technique/step'
import type { MethodId, SettingLimits, TechniqueId } from '../technique/technique'
import type { SchoolOrder } from './order/compare-orders'

export const stageKinds = [
  'reservoir-exchange',
  'wipe-reservoir',
  'slow-fill',
  'bench-bleed',
  'port-bleed',
  'bleed',
  'control-unit',
  'leak-check',
  'wait',
  'prove',
] as const
export type StageKind = (typeof stageKinds)[number]

/** One stage of the work, in order. */
export type Stage = {
  kind: StageKind
  method?: MethodId
  /** Which way of doing that method. */
  technique?: TechniqueId
  /** Bleeder ids in the order they are opened; empty where none is. */
  order: string[]
  minutes: number
  fluidMinutes: number
  handlingMinutes: number
  /** New fluid this stage takes. */
  ml: number
  /** What of it each bleeder takes; absent where no bleeder is opened. */
  mlByBleeder?: Record<string, number>
  /** Codes of the plan's reasons that ask for this stage. */
  reasons: string[]
  /** What is done before the first bleeder (or instead of one), and after the last. */
  before: Step[]
  after: Step[]
}

/** A caution and the stage at which it is shown; without one it holds throughout. */
export type Caution = Notice & { at?: StageKind }

/** How the bleeders are ordered: by hand or not, and what each school would have done. */
export type PlanOrder = {
  bleeders: string[]
  schools: SchoolOrder[]
  /** Set by hand, with the reason, what was warned of, and what the order would have been. */
  stated?: { why: string; warnings: Notice[]; usual: string[] }
}

/** How one place of work is done: what is taken, what the program would have taken, and why each other way was not. */
export type Ways = {
  at: 'bleeders' | 'cylinder' | 'unit'
  taken?: TechniqueId
  usual?: TechniqueId
  /** Why another than the usual one was taken, in the words of whoever did. */
  why?: string
  notTaken: NotTaken[]
}

/** Fluid's and hands' minutes over every stage. */
export const planMinutes = ({ stages }: Pick<Plan, 'stages'>): number =>
  stages.reduce((sum, stage) => sum + stage.minutes, 0)

/** What is opened for a plan: of the shelf first, then what is bought. */
export const opened = ({ fluid }: Pick<Plan, 'fluid'>): Containers[] => [...fluid.onHand, ...fluid.buy]

/** The plan: what, how much, in which order, by which method, and why. */
export type Plan = {
  verdict: 'go' | 'stop'
  stops: Notice[]
  fluid: {
    spec: FluidSpec
    totalMl: number
    perBleederMl: Record<string, number>
    reservoirMl: number
    buy: Containers[]
    /** Sealed containers on the shelf that are opened, before any is bought. */
    onHand: Containers[]
    /** Left over once the plan's amount is used. */
    leftMl: number
  }
  stages: Stage[]
  /** Absent where nothing is bled, and in plans made before orders were compared. */
  order?: PlanOrder
  pressureKPa?: number
  vacuumKPa?: number
  /** Least and most that those may be set to here. */
  limits: SettingLimits
  topUpEvery: { reservoir: string; strokes: number; ml: number }
  /** Old share expected at each bleeder once its volume is through, the reservoir's own state carried along; per cent. */
  expectedOldPct: Record<string, number>
  methodsRejected: (Notice & { method: MethodId })[]
  ways: Ways[]
  cautions: Caution[]
  reasons: Reason[]
}

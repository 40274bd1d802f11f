import type { Notice, Reason } from '../decision'
import type { Containers } from '../exchange/containers'
import type { FluidSpec } from '../fluids'
import type { MethodId } from '../method/method'
import type { SchoolOrder } from '../order/compare-orders'

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
  }
  stages: Stage[]
  /** Absent where nothing is bled, and in plans made before orders were compared. */
  order?: PlanOrder
  pressureKPa?: number
  vacuumKPa?: number
  topUpEvery: { reservoir: string; strokes: number; ml: number }
  /** Old share expected at each bleeder once its volume is through, the reservoir's own state carried along; per cent. */
  expectedOldPct: Record<string, number>
  methodsRejected: (Notice & { method: MethodId })[]
  cautions: Caution[]
  reasons: Reason[]
}

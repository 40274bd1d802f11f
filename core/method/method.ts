import type { CallKind } from '../call'
import type { Notice } from '../decision'
import type { Fluid } from '../fluids/fluid'
import { type BleederOpening, usualBleeder } from '../hydraulics/bleeder'
import type { TubeSegment } from '../hydraulics/tube'
import type { BleederRun } from '../vehicle/network'
import type { PartOf, Vehicle } from '../vehicle/schema'

/** Everything a shop may be able to do. */
export const methodIds = [
  'two-person',
  'solo',
  'gravity',
  'pressure',
  'vacuum',
  'pressure-vacuum',
  'bench',
  'ports',
  'reverse',
  'control-unit',
] as const
export type MethodId = (typeof methodIds)[number]

/** One bleeder with what is to be pushed through it, and the pieces of line it goes through. */
export type Corner = BleederRun & { throughMl: number; segments: readonly TubeSegment[] }

/** What no file states, and a plan takes at its usual value. */
export type Unknowns = {
  bleeder: BleederOpening
  /** Share of a chamber's full stroke that a pull really delivers. */
  strokeShare: number
}
/** @source from memory */
export const usualUnknowns: Unknowns = { bleeder: usualBleeder, strokeShare: 0.6 }

/** What a method needs to know to judge itself. */
export type MethodContext = {
  vehicle: Vehicle
  fluid: Fluid
  tempC: number
  conversion: boolean
  corners: readonly Corner[]
  /** Reservoirs that feed these corners. */
  reservoirs: readonly PartOf<'reservoir'>[]
  unknowns: Unknowns
}

/** What to set on the machine, gauge; vacuum positive below atmosphere. */
export type MethodSettings = { pressureKPa?: number; vacuumKPa?: number }
export type MethodMinutes = { fluidMinutes: number; handlingMinutes: number }

/** One way of moving fluid through the bleeders. A new one is one file and one line in the registry. */
export type BleedMethod = {
  id: MethodId
  name: string
  /** What the method rests on when it is the one taken. */
  why: string
  /** Which call leads it at each bleeder. */
  call: CallKind
  /** Why it must not be used on this vehicle now; undefined where it may. */
  exclude: (context: MethodContext) => Notice | undefined
  settings: (context: MethodContext) => MethodSettings
  minutes: (context: MethodContext) => MethodMinutes
  /** What the chance of drawing air or spoiling the work is worth, in minutes. @source from memory */
  riskMinutes: (context: MethodContext) => number
}

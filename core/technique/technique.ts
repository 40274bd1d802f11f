import { z } from 'zod'
import { type Fact, fact, type Notice } from '../base/decision'
import type { Fluid } from '../fluid/specs/fluid'
import { type BleederOpening, usualBleeder } from '../physics/hydraulics/bleeder'
import type { TubeSegment } from '../physics/hydraulics/tube'
import type { RoutedBleeder } from '../vehicle/network'
import type { PartOf, Vehicle } from '../vehicle/schema'
import type { CallMachine } from './calls'
import type { Adapter, EquipmentId } from './equipment'
import type { Steps } from './step'

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

/** Every way of doing one of them. */
export const techniqueIds = [
  'pump-and-hold',
  'press-through',
  'check-valve',
  'raised-bottle',
  'within-reach',
  'propped',
  'gravity',
  'pressure',
  'vacuum',
  'pressure-vacuum',
  'reverse',
  'bench-kit',
  'fingers',
  'ports-helper',
  'ports-prop',
  'cycle',
  'wheel-by-wheel',
  'wheel-by-wheel-pumped',
  'maker-led',
] as const
export type TechniqueId = (typeof techniqueIds)[number]

const known = new Set<string>(techniqueIds)
/** One that is added while the program runs is known to whatever is read from then on. */
export const knowTechnique = (id: string): (() => void) => {
  known.add(id)
  return () => known.delete(id)
}
const oneOfThem = `give one of: ${techniqueIds.join(', ')}`
export const techniqueIdSchema = z
  .string(oneOfThem)
  .refine((value) => known.has(value), oneOfThem)
  .meta({ enum: [...techniqueIds] }) as unknown as z.ZodType<TechniqueId>

/** One bleeder with what is to be pushed through it, and the pieces of line it goes through. */
export type Corner = RoutedBleeder & { throughMl: number; segments: readonly TubeSegment[] }

/** What no file states, and a plan takes at its usual value. */
export type Unknowns = {
  bleeder: BleederOpening
  /** Share of a chamber's full stroke that a pull really delivers. */
  strokeShare: number
}

/** @source from memory */
export const usualUnknowns: Unknowns = { bleeder: usualBleeder, strokeShare: 0.6 }

/** What a way of bleeding needs to know to judge itself. */
export type TechniqueContext = {
  vehicle: Vehicle
  fluid: Fluid
  tempC: number
  conversion: boolean
  /** The fluid is exchanged; otherwise air alone is to come out. */
  exchange: boolean
  corners: readonly Corner[]
  /** Reservoirs that feed these corners. */
  reservoirs: readonly PartOf<'reservoir'>[]
  /** Cylinders whose own air has to come out. */
  cylinders: readonly PartOf<'master-cylinder'>[]
  /** The cylinder is in hand, not on the vehicle. */
  cylinderOut: boolean
  /** Somebody can sit in the cab. */
  helper: boolean
  /** What the shop does not have. */
  lacks: ReadonlySet<EquipmentId>
  /** The pressure machine's adapters; none listed means that one is taken to fit. */
  adapters: readonly Adapter[]
  unknowns: Unknowns
}

/** What to set on the machine, gauge; vacuum positive below atmosphere. */
export type TechniqueSettings = { pressureKPa?: number; vacuumKPa?: number }
/** Least and most that a setting may be here. */
export type SettingLimits = { [K in keyof TechniqueSettings]: readonly [number, number] }
export type TechniqueMinutes = { fluidMinutes: number; handlingMinutes: number }

/**
 * One way of moving fluid, or of working a part that hides air. It states what is true of it, so that nobody asks which
 * it is. A new one is one file, one line in the registry, and its words.
 */
export type Technique = {
  id: TechniqueId
  /** What the shop lists it under. */
  method: MethodId
  /** Where it is worked. */
  at: 'bleeders' | 'cylinder' | 'unit'
  /** What moves the fluid. */
  drives: 'foot' | 'gravity' | 'machine' | 'vacuum' | 'syringe' | 'hand' | 'unit'
  /** Whether what drives it keeps the reservoir full, so that pulls do not lower it. */
  feedsReservoir?: true
  /** New fluid that stays in its tank and hose at the end, mL. */
  keepsMl?: number
  /** How many bleeders may run at once; one where left out. */
  bottlesAtOnce?: number
  /** For a cylinder: out of the vehicle, or where it stands. */
  cylinder?: 'in-vice' | 'in-place'
  /** For a unit: which of its routines it is. */
  routine?: 'cycle' | 'wheel-by-wheel' | 'maker-led'
  /** For a unit: times the routine is run, with a base bleed after each; once where left out. */
  rounds?: number
  /** For a unit: it works at each wheel's open bleeder. */
  pulsesWheels?: true
  /** Settings of the maker that ask for it: it is taken where the maker states all of them, and no other. */
  makerStates?: readonly (keyof TechniqueSettings)[]
  needsHelper?: true
  needs: readonly EquipmentId[]
  /** How often the pedal is pumped before it is held down; pressed once where left out. */
  pumps?: number
  /** The call that leads it at each place. */
  call: CallMachine
  /** Why it must not be used on this vehicle now; undefined where it may. */
  exclude: (context: TechniqueContext) => Notice | undefined
  settings: (context: TechniqueContext) => TechniqueSettings
  limits: (context: TechniqueContext) => SettingLimits
  minutes: (context: TechniqueContext) => TechniqueMinutes
  /** What the chance of drawing air or spoiling the work is worth, in minutes. @source from memory */
  riskMinutes: (context: TechniqueContext) => number
  steps: (context: TechniqueContext) => Steps
}

/** Nothing to set. */
export const noSettings = { settings: () => ({}), limits: () => ({}) } satisfies Partial<Technique>
/** Nothing on this vehicle forbids it. */
export const neverExcluded = () => undefined
/** No steps of its own around the places. */
export const noSteps = (): Steps => ({ before: [], after: [] })

/** A technique as it is called. */
export const techniqueFact = ({ id }: Pick<Technique, 'id'>): Fact => fact(`technique-${id}`)

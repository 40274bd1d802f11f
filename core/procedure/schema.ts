import { z } from 'zod'

/** Who does a step of a procedure. */
export const procedureActors = ['tool', 'wheel', 'cab', 'desk'] as const
/** What drives the fluid while one bleeder is open: the unit alone, the unit while a foot pumps, or a foot alone. */
export const procedureDrives = ['unit', 'unit-pumped', 'foot'] as const
/** What is waited for before the next step. */
export const awaitables = [
  'tool-says',
  'pump-stops',
  'pressure-falls',
  'valves-quiet',
  'lamp-out',
  'level-at-max',
] as const
/** What is unplugged for a while. */
export const unpluggables = ['level-sensor', 'pedal-sensor', 'wheel-sensor', 'pump-relay'] as const
/** What the foot does, with every bleeder shut. */
export const procedureFeet = ['hold', 'pump', 'release'] as const

const oneOf = <const T extends readonly [string, ...string[]]>(values: T) =>
  z.enum(values, `give one of: ${values.join(', ')}`)
const said = (most: number) =>
  z
    .string('give a text')
    .trim()
    .min(1, 'give a text, or leave it out')
    .max(most, `give at most ${most} characters`)
const seconds = z.number('give seconds').min(1, 'give 1 s or more').max(3600, 'give at most 3600 s (an hour)')
const yes = z.literal(true, 'give true, or leave it out')

/** One step. Every bleeder is shut in it, but for the one that it bleeds. */
export const procedureStepSchema = z.object({
  who: oneOf(procedureActors),
  /** What to do, in the words of whoever wrote the procedure. */
  does: said(300).optional(),
  /** What the tool’s screen says, word for word. */
  shows: said(300).optional(),
  foot: oneOf(procedureFeet).optional(),
  /** The bleeder that is bled in it, and what drives it; the program leads when it opens, shuts, and the foot comes up. */
  bleed: z.string('give a bleeder id').min(1, 'give a bleeder id').max(60, 'give a bleeder id').optional(),
  by: oneOf(procedureDrives).optional(),
  awaits: oneOf(awaitables).optional(),
  /** It is left at least so long, and something is wrong when it takes longer. */
  leastS: seconds.optional(),
  mostS: seconds.optional(),
  ignition: oneOf(['on', 'off']).optional(),
  unplugs: oneOf(unpluggables).optional(),
  plugsBack: oneOf(unpluggables).optional(),
  /** An inverted bottle goes on the reservoir, or comes off. */
  bottle: oneOf(['on', 'off']).optional(),
  /** The reservoir is filled to MAX in it. */
  fillsToMax: yes.optional(),
  /** What is calibrated in it, in the tool’s words. */
  calibrates: said(80).optional(),
  /** After a routine that broke off it goes on again from here. */
  beginsAgain: yes.optional(),
})
export type ProcedureStep = z.output<typeof procedureStepSchema>

/** What a control unit offers, led step by step: data that somebody read off a tool’s screen or the maker’s text. */
export const procedureSchema = z.object({
  name: said(120),
  /** One of the ready ones: the maker’s text replaces it. */
  example: yes.optional(),
  /** Where it is found in the tool’s menus. */
  menu: said(200).optional(),
  /** The unit stops, or is not started, below this battery voltage. */
  minVolts: z.number('give volts').min(6, 'give 6 V or more').max(30, 'give at most 30 V').optional(),
  /** Who wrote it down, and when. */
  by: said(80).optional(),
  on: z.iso.date('give a day like 2026-03-31').optional(),
  steps: z
    .array(procedureStepSchema, 'give a list of steps')
    .min(1, 'give at least one step')
    .max(80, 'give at most 80 steps'),
})
export type Procedure = z.output<typeof procedureSchema>

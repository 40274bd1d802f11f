import { z } from 'zod'
import type { Fact, Params } from '../base/decision'
import { factFilling } from '../base/fact-schema'

/** Who does a step. The desk sees to what is not at the vehicle. */
export const actors = ['wheel', 'cab', 'tool', 'desk'] as const
export type Actor = (typeof actors)[number]

/** One thing to do and confirm; `asksMl` where an amount is written down with it. Its words go by `code`. */
export const stepSchema = z.object({
  ...factFilling,
  /** Steps that the first version recorded have words of their own and no code. */
  code: z.string().max(120).default(''),
  id: z.string().max(200),
  /** What to mind while doing it, where the first version wrote it down. */
  detail: z.string().max(4000).optional(),
  who: z.enum(actors),
  asksMl: z.enum(['poured', 'drawn']).optional(),
  fillsToMax: z.literal(true).optional(),
  /** Where drawing leaves the reservoir; steps of older plans name a mark instead. */
  drawsToMl: z.number().optional(),
  drawsTo: z.enum(['min', 'empty']).optional(),
  /** An inverted bottle goes on the reservoir, or comes off: in between it keeps the level. */
  bottle: z.enum(['on', 'off']).optional(),
  /** What stands on the vehicle from here on, and what is taken away again: see `standing.ts`. */
  sets: z.string().max(60).optional(),
  clears: z.string().max(60).optional(),
  /** A joint that stood open is shut by it. */
  shuts: z.string().max(200).optional(),
  /** About how much that is, by the plan. */
  aboutMl: z.number().optional(),
  /** The one reservoir it concerns; left out, all of them. */
  reservoir: z.string().max(200).optional(),
  /** Must be held this long, timed; ended sooner it is not done. */
  holdS: z.number().optional(),
  /** Usually left this long; the timer advises, the eyes decide. */
  waitS: z.number().optional(),
  /** What is waited for in a unit’s routine: it is said when it came, and the clock runs until then. */
  awaits: z.string().max(60).optional(),
  /** It takes at least so long, and something is wrong when it takes longer. */
  leastS: z.number().optional(),
  mostS: z.number().optional(),
  /** What the foot does in it, with every joint shut. */
  foot: z.enum(['hold', 'pump', 'release']).optional(),
  /** It comes right before this place is worked at. */
  at: z.string().max(200).optional(),
  /** What of the unit is calibrated by it. */
  calibrates: z.string().max(80).optional(),
  /** Pistons of these brakes are pressed home: their reservoir rises, and its level is looked at anew. */
  pressesHome: z.array(z.string().max(200)).max(100).optional(),
  /** A routine that broke off goes on again from here. */
  beginsAgain: z.literal(true).optional(),
})
export type Step = z.output<typeof stepSchema>

/** A step of a unit’s routine is known by its id, which is its number there. */
const ROUTINE = 'procedure '
export const routineStepId = (n: number): string => `${ROUTINE}${n}`
/** A routine runs from the stage before which the battery is seen to, to the one after which the ignition goes off. */
export const ROUTINE_BEGINS = 'battery'
export const ROUTINE_ENDS = 'unpower'
export const isRoutineStep = ({ id }: Pick<Step, 'id'>): boolean => id.startsWith(ROUTINE)

/** What a step asks for, and what to mind with it, as facts to be said. */
export const stepFact = ({ code, params, text }: Step): Fact => ({ code: `do-${code}`, params, text })
export const mindFact = ({ code, params, text, detail }: Step): Fact => ({
  code: `mind-${code}`,
  params,
  ...(text !== undefined && { text: detail ?? '' }),
})

/** What is done before the first place that is worked at, and after the last. */
export type Steps = { before: Step[]; after: Step[] }

const by =
  (who: Actor) =>
  (code: string, params?: Params, id = code): Step => ({ id, code, who, ...(params && { params }) })

export const atWheel = by('wheel')
export const inCab = by('cab')
export const atTool = by('tool')
export const atDesk = by('desk')

/** Whether two steps are the same thing to do: the same words about the same. */
export const sameStep = (a: Step, b: Step): boolean =>
  a.id === b.id &&
  a.code === b.code &&
  a.text === b.text &&
  JSON.stringify(a.params) === JSON.stringify(b.params)

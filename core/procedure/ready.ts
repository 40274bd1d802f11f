import cycle from './ready/cycle.json' with { type: 'json' }
import makerLed from './ready/maker-led.json' with { type: 'json' }
import wheelByWheel from './ready/wheel-by-wheel.json' with { type: 'json' }
import wheelByWheelPumped from './ready/wheel-by-wheel-pumped.json' with { type: 'json' }
import { type Procedure, type ProcedureStep, procedureStepSchema } from './schema'

/** Bleeders that the unit’s own pump feeds, those a foot feeds, and the stroke simulator’s, each in their order. */
export type Fed = Readonly<Record<'by-pump' | 'by-foot' | 'simulators', readonly string[]>>

/** As it is kept: a step that says `each` is done once for each of those bleeders. */
type Kept = { name: string; steps: readonly (object & { each?: string })[] }

/** Every ready one, an example that the maker’s text replaces. @source common practice; times from memory */
const ready = {
  cycle,
  'wheel-by-wheel': wheelByWheel,
  'wheel-by-wheel-pumped': wheelByWheelPumped,
  'maker-led': makerLed,
} as const satisfies Record<string, Kept>

/** The ready procedure of a way of working a unit, for these bleeders. */
export function readyProcedure(way: keyof typeof ready, fed: Fed): Procedure {
  const { name, steps }: Kept = ready[way]
  const made = steps.flatMap(({ each, ...step }): object[] =>
    each === undefined ? [step] : fed[each as keyof Fed].map((bleed) => ({ ...step, bleed })),
  )
  return { name, example: true, steps: made.map((step): ProcedureStep => procedureStepSchema.parse(step)) }
}

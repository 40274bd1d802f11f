import { z } from 'zod'
import type { Fault, Reading } from '../base/fault'
import { textFaults } from '../base/plain-text'
import { readWith } from '../base/zod-faults'
import { procedureFaults } from './check'
import { type Procedure, procedureSchema } from './schema'

/** A procedure as it goes from one vehicle to the next of its kind, and between shops. */
export const procedureFileSchema = z.object({
  format: z.literal('ruddy-siphon.procedure', 'give "ruddy-siphon.procedure"'),
  version: z.literal(1, 'give 1, the only version there is'),
  /** What the unit it was written for is called upon to do; one that offers another routine never starts it. */
  routine: z.enum(['cycle', 'wheel-by-wheel', 'maker-led'], 'give one of: cycle, wheel-by-wheel, maker-led'),
  /** Where each bleeder that it names sits, so that another vehicle’s own id is found. */
  places: z.record(z.string().max(60), z.string('give a place').max(60, 'give a shorter place')).default({}),
  procedure: procedureSchema,
})
export type ProcedureFile = z.output<typeof procedureFileSchema>

/** The unit that takes a procedure: what it offers, if anything, and where its vehicle’s bleeders sit. */
export type Takes = { routine: ProcedureFile['routine'] | 'none'; placeOf: ReadonlyMap<string, string> }

/** The file of a procedure, for a unit that offers a routine. */
export function procedureFile(
  procedure: Procedure,
  { routine, placeOf }: Takes & Pick<ProcedureFile, 'routine'>,
): ProcedureFile {
  const named = procedure.steps.flatMap(({ bleed }) => bleed ?? [])
  return {
    format: 'ruddy-siphon.procedure',
    version: 1,
    routine,
    places: Object.fromEntries(named.flatMap((id) => (placeOf.has(id) ? [[id, placeOf.get(id) ?? '']] : []))),
    procedure,
  }
}

/**
 * Read a procedure for a unit: its bleeders are those of the vehicle that takes it, by id, else by where they sit.
 *
 * Refused, each with its path: another routine than the unit offers, a bleeder whose place is not here or is here twice,
 * and whatever the procedure itself says wrong.
 */
export function readProcedureFile(input: unknown, takes: Takes): Reading<Procedure> {
  const noText = textFaults(input, '')
  if (noText.length > 0) return { ok: false, faults: noText }
  const read = readWith(procedureFileSchema, input)
  if (!read.ok) return read
  const { routine, places, procedure } = read.value
  const faults: Fault[] = []
  if (routine !== takes.routine)
    faults.push({
      path: 'routine',
      message: `this unit offers ${takes.routine}; a routine it does not offer is never started`,
    })
  const steps = procedure.steps.map((step, i) => {
    if (step.bleed === undefined) return step
    const here = hereFor(step.bleed, places, takes.placeOf)
    if (here !== undefined) return { ...step, bleed: here }
    faults.push({
      path: `procedure.steps.${i}.bleed`,
      message: `no bleeder here is "${step.bleed}" or sits where it does; give one of: ${[...takes.placeOf.keys()].join(', ')}`,
    })
    return step
  })
  if (faults.length > 0) return { ok: false, faults }
  const value = { ...procedure, steps }
  const wrong = procedureFaults(value, { routine, bleeders: new Set(takes.placeOf.keys()) })
  return wrong.length === 0
    ? { ok: true, value }
    : { ok: false, faults: wrong.map(({ path, message }) => ({ path: `procedure.${path}`, message })) }
}

/** The bleeder that is meant: the only one at its place, else the one of the same id where the place is not told. */
function hereFor(
  id: string,
  places: Readonly<Record<string, string>>,
  placeOf: ReadonlyMap<string, string>,
): string | undefined {
  const place = Object.hasOwn(places, id) ? places[id] : undefined
  if (placeOf.has(id) && (place === undefined || placeOf.get(id) === place)) return id
  const there = [...placeOf].filter(([, each]) => each === place)
  return there.length === 1 ? there[0]?.[0] : undefined
}

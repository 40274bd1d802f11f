import type { z } from 'zod'
import { type Fault, ImpossibleInput, type Reading } from '../../base/fault'
import { readWith } from '../../base/zod-faults'

/** What a result rests on, for whoever opens it. */
export type About = {
  formula: string
  /** Published standard or handbook, or what it is instead. */
  source: string
  /** Where it holds, and what it leaves out. */
  limits: string
}

/** One calculator as the outside sees it: unknown input in, an answer or faults out. */
export type Calculator<T extends object = object> = {
  name: string
  about: About
  run: (input: unknown) => Reading<T>
}

/** Join a schema and a computation; what the computation calls impossible becomes a fault at its field. */
export function calculator<S extends z.ZodType, T extends object>(
  name: string,
  schema: S,
  compute: (input: z.output<S>) => T,
  about: About,
): Calculator<T> {
  return {
    name,
    about,
    run: (input) => {
      const read = readWith(schema, input)
      if (!read.ok) return read
      try {
        return { ok: true, value: compute(read.value) }
      } catch (error) {
        if (!(error instanceof ImpossibleInput)) throw error
        const fault: Fault = { path: error.path, message: error.message }
        return { ok: false, faults: [fault] }
      }
    },
  }
}

import type { z } from 'zod'
import { type Fault, ImpossibleInput, type Reading } from '../fault'
import { readWith } from '../zod-faults'

/** One calculator as the outside sees it: unknown input in, an answer or faults out. */
export type Calculator = { name: string; run: (input: unknown) => Reading<object> }

/** Join a schema and a computation; what the computation calls impossible becomes a fault at its field. */
export function calculator<S extends z.ZodType>(
  name: string,
  schema: S,
  compute: (input: z.output<S>) => object,
): Calculator {
  return {
    name,
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

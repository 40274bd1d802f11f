import type { z } from 'zod'
import { type Fault, ImpossibleInput, type Reading } from '../../base/fault'
import { readWith } from '../../base/zod-faults'

/** One calculator as the outside sees it: unknown input in, an answer or faults out. */
export type Calculator<T extends object = object> = {
  name: string
  /** What it reads and what it answers, as published. */
  shapes: { input: z.ZodType; answer: z.ZodType }
  /** What a result rests on: formula, source and where they hold are said by codes made of this. */
  about: string
  run: (input: unknown) => Reading<T>
}

/** Join what is read, what is answered and a computation between them; what the computation calls impossible becomes a fault at its field. */
export function calculator<S extends z.ZodType, T extends object>(
  name: string,
  schema: S,
  answer: z.ZodType<T>,
  compute: (input: z.output<S>) => T,
  about = name,
): Calculator<T> {
  return {
    name,
    shapes: { input: schema, answer },
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

import type { z } from 'zod'
import type { Fault, Reading } from './fault'

/** Zod's issues as faults, with dots for indices too; one for each place, the first that was found. */
export function faultsOf(error: z.ZodError, root = ''): Fault[] {
  const byPath = new Map<string, Fault>()
  for (const issue of error.issues) {
    const path = [root, ...issue.path.map(String)].filter(Boolean).join('.')
    if (!byPath.has(path)) byPath.set(path, { path, message: issue.message })
  }
  return [...byPath.values()]
}

/** Read unknown input through a schema: the value, or every fault with its path. */
export function readWith<S extends z.ZodType>(schema: S, input: unknown, root = ''): Reading<z.output<S>> {
  const read = schema.safeParse(input)
  return read.success ? { ok: true, value: read.data } : { ok: false, faults: faultsOf(read.error, root) }
}

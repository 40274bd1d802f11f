import type { Fact } from './decision'

/** What is wrong with an input: where (dots, indices too), and what is accepted. */
export type Fault = { path: string; message: string }

/** Either the value read, or every fault found in it. Never both, never neither. */
export type Reading<T> = { ok: true; value: T } | { ok: false; faults: Fault[] }

/** The one line a person reads for a fault. */
export const faultLine = (fault: Fault): string => `${fault.path || '(root)'}: ${fault.message}`

/**
 * Thrown by a computation for input no physical thing can have; the edges turn it into a fault.
 *
 * @param fact the same, to be said in the units of whoever typed it
 */
export class ImpossibleInput extends Error {
  constructor(
    readonly path: string,
    message: string,
    readonly fact?: Fact,
  ) {
    super(message)
  }
}

/** What a computation comes to, or what about its input nothing can have. */
export function orFault<T>(
  of: () => T,
): { value: T; fault?: undefined } | { value?: undefined; fault: Fault } {
  try {
    return { value: of() }
  } catch (error) {
    if (error instanceof ImpossibleInput) return { fault: { path: error.path, message: error.message } }
    throw error
  }
}

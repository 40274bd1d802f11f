import { createRequire } from 'node:module'

/** The little that is used of odex; its own sources do not pass strict types. */
type SolverOf = new (
  equations: number,
) => {
  absoluteTolerance: number
  relativeTolerance: number
  maxSteps: number
  solve(
    slopes: (x: number, y: number[]) => number[],
    from: number,
    start: number[],
    to: number,
  ): { y: number[]; nEval: number }
}

export const { Solver } = createRequire(import.meta.url)('odex') as { Solver: SolverOf }

import { relative } from 'node:path'

const MOST = 10

/** The files that took longest, a line each, longest first. @param tookMs by path */
export const slowest = (tookMs: ReadonlyMap<string, number>): string =>
  [...tookMs]
    .sort(([, a], [, b]) => b - a)
    .slice(0, MOST)
    .map(([path, ms]) => `${(ms / 1000).toFixed(1).padStart(7)} s  ${relative('.', path)}`)
    .join('\n')

/** A value with how far it may be off to either side. */
export type Band = { low: number; likely: number; high: number }

/** A band around a value, kept within what can be. */
export const bandAround = (
  likely: number,
  error: number,
  { min = 0, max = Number.POSITIVE_INFINITY } = {},
): Band => ({
  low: Math.max(min, likely - error),
  likely,
  high: Math.min(max, likely + error),
})

/** Whether two could both be true. */
export const overlap = (a: Band, b: Band): boolean => a.low <= b.high && b.low <= a.high

/**
 * Two that could both be true as one: what both allow, and between their likely values the surer (narrower) one
 * counts more, by the inverse of its width squared.
 */
export function joined(a: Band, b: Band): Band {
  const [low, high] = [Math.max(a.low, b.low), Math.min(a.high, b.high)]
  const weight = ({ low: from, high: to }: Band) => 1 / Math.max(to - from, 1e-6) ** 2
  const likely = (a.likely * weight(a) + b.likely * weight(b)) / (weight(a) + weight(b))
  return { low, likely: Math.min(high, Math.max(low, likely)), high }
}

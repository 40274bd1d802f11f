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
 * Two that could both be true as one: between their likely values the surer (narrower) one counts more, by the inverse
 * of its width squared. It is never surer than the surer of them: what puts one meter off (additives, a warm sample)
 * puts the next one off as well.
 */
export function joined(a: Band, b: Band): Band {
  const width = ({ low, high }: Band) => Math.max(high - low, 1e-6)
  const weight = (band: Band) => 1 / width(band) ** 2
  const likely = (a.likely * weight(a) + b.likely * weight(b)) / (weight(a) + weight(b))
  const surer = width(b) < width(a) ? b : a
  return {
    low: Math.max(Math.min(a.low, b.low), likely - (surer.likely - surer.low)),
    likely,
    high: Math.min(Math.max(a.high, b.high), likely + (surer.high - surer.likely)),
  }
}

const MOST_STEPS = 200

/**
 * Where a monotone function crosses a target between two bounds: it halves the bounds, and where the last three points
 * lie on a smooth curve takes that curve's own crossing instead, so that it is quick and cannot leave the bounds.
 * `f(low)` and `f(high)` must lie on either side of `target`; where they do not, the nearer bound is the answer.
 *
 * @returns to the last digits of a double
 * @source Chandrupatla 1997, a hybrid of bisection and inverse quadratic interpolation
 */
export function crossing(f: (x: number) => number, target: number, low: number, high: number): number {
  const away = (x: number) => f(x) - target
  let [x1, x2, x3] = [low, high, low]
  let [f1, f2] = [away(x1), away(x2)]
  let f3 = f1
  if (f1 === 0 || Math.sign(f1) === Math.sign(f2)) return Math.abs(f1) <= Math.abs(f2) ? x1 : x2
  let part = 0.5
  for (let step = 0; step < MOST_STEPS; step++) {
    const x = x1 + part * (x2 - x1)
    const fx = away(x)
    if (Math.sign(fx) === Math.sign(f1)) [x3, f3] = [x1, f1]
    else [x3, f3, x2, f2] = [x2, f2, x1, f1]
    x1 = x
    f1 = fx
    const best = Math.abs(f1) < Math.abs(f2) ? x1 : x2
    const least = (2 * Number.EPSILON * Math.abs(best) + Number.MIN_VALUE) / Math.abs(x2 - x1)
    if (least > 0.5 || f1 === 0) return best
    const along = (x1 - x2) / (x3 - x2)
    const rise = (f1 - f2) / (f3 - f2)
    part =
      rise ** 2 < along && (1 - rise) ** 2 < 1 - along
        ? (f1 / (f2 - f1)) * (f3 / (f2 - f3)) + ((x3 - x1) / (x2 - x1)) * (f1 / (f3 - f1)) * (f2 / (f3 - f2))
        : 0.5
    part = Math.min(1 - least, Math.max(least, part))
  }
  return Math.abs(f1) < Math.abs(f2) ? x1 : x2
}

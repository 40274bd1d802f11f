/**
 * Where a monotone function crosses a target between two bounds, by bisection:
 * slow beside Newton, but it cannot leave the bounds or diverge.
 * `f(low)` and `f(high)` must lie on either side of `target`; 80 halvings reach the last bit of any span met here.
 */
export function crossing(f: (x: number) => number, target: number, low: number, high: number): number {
  const rising = f(high) >= f(low)
  let lo = low
  let hi = high
  for (let i = 0; i < 80; i++) {
    const mid = (lo + hi) / 2
    if (f(mid) < target === rising) lo = mid
    else hi = mid
  }
  return (lo + hi) / 2
}

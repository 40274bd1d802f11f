/**
 * The order in which a wheel's nuts are tightened, by their places around the circle from 0 on: each opposite the one
 * before, or as nearly as their number allows, so that the wheel is drawn up flat. @source common practice
 *
 * @param nuts how many, 1 or more
 * @example nutStar(5) // [0, 2, 4, 1, 3]
 */
export function nutStar(nuts: number): number[] {
  if (nuts % 2 === 1) {
    // Half of an odd circle falls between two: with one less than half each is reached once.
    const stride = Math.max(1, (nuts - 1) / 2)
    return Array.from({ length: nuts }, (_, i) => (i * stride) % nuts)
  }
  return spread(nuts / 2).flatMap((first) => [first, first + nuts / 2])
}

/** Places on a circle, each as far as may be from those before it. */
function spread(places: number): number[] {
  const taken: number[] = []
  const apart = (a: number, b: number) => Math.min(Math.abs(a - b), places - Math.abs(a - b))
  const distance = (place: number) => Math.min(...taken.map((each) => apart(each, place)))
  while (taken.length < places) {
    const left = Array.from({ length: places }, (_, i) => i).filter((each) => !taken.includes(each))
    const next = left.reduce((best, each) => (distance(each) > distance(best) ? each : best), left[0] ?? 0)
    taken.push(next)
  }
  return taken
}

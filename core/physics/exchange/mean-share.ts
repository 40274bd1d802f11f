/**
 * Old share left behind on average in a line that acts as `tanks` stirred tanks, after `volumes` volumes of clean
 * feed: less than what still leaves at its outlet. Three tanks and two volumes leave 2.7 % on average, 6.2 % at the
 * outlet: say which is meant.
 *
 * @source Levenspiel, tanks-in-series: the mean of the shares in each tank
 */
export function tanksMeanShare(volumes: number, tanks: number): number {
  const a = tanks * volumes
  let term = Math.exp(-a)
  let share = term
  let sum = share
  for (let i = 1; i < tanks; i++) {
    term *= a / i
    share += term
    sum += share
  }
  return Math.min(1, sum / tanks)
}

import { CORNER_TANKS } from './purge'
import { firstTerms } from './tanks-in-series'

/**
 * Old share at one corner's outlet: what was in its three tanks, washed out, and what the reservoir sent after it. The
 * reservoir is one stirred tank kept at `reservoirMl` by topping up with new. 200 mL of old reservoir, one 80 mL corner
 * and 240 mL pushed through leave 46 %, where a clean feed would leave 0.6 %.
 *
 * @source Levenspiel, stirred tanks in series; solved in closed form for a feed that thins out exponentially
 *
 * With λ for a tank and κ for the reservoir, both per mL, the second is reservoirShare·λ³·∫ ½s²·e^(−λs)·e^(−κ(q−s)) ds.
 */
export function cornerOutletShare(
  reservoirMl: number,
  reservoirShare: number,
  volumeMl: number,
  throughMl: number,
): number {
  if (volumeMl <= 0) return reservoirShare * Math.exp(-throughMl / reservoirMl)
  return tankShare(CORNER_TANKS, reservoirMl, reservoirShare, volumeMl, throughMl)
}

/** Old share that stays in the corner on average: the mean of its three tanks. Less than what still leaves it. */
export function cornerMeanShare(
  reservoirMl: number,
  reservoirShare: number,
  volumeMl: number,
  throughMl: number,
): number {
  if (volumeMl <= 0) return cornerOutletShare(reservoirMl, reservoirShare, volumeMl, throughMl)
  let sum = 0
  for (let tank = 1; tank <= CORNER_TANKS; tank++)
    sum += tankShare(tank, reservoirMl, reservoirShare, volumeMl, throughMl)
  return sum / CORNER_TANKS
}

/** Old share in the n-th of a corner's tanks. */
function tankShare(
  n: number,
  reservoirMl: number,
  reservoirShare: number,
  volumeMl: number,
  throughMl: number,
): number {
  const tankVolumes = (CORNER_TANKS * throughMl) / volumeMl
  const washed = Math.exp(-tankVolumes) * firstTerms(tankVolumes, n)
  const reservoirs = throughMl / reservoirMl
  return washed + reservoirShare * tankVolumes ** n * sent(n, tankVolumes, reservoirs)
}

const factorial = (n: number): number => (n <= 1 ? 1 : n * factorial(n - 1))

/** ∫₀¹ u^(n−1)/(n−1)!·e^(−au)·e^(−b(1−u)) du, for a tank volumes and b reservoir volumes. */
function sent(n: number, a: number, b: number): number {
  const z = a - b
  // Near equal the closed form is a small difference of large numbers; its series is exact to the last digits there.
  if (Math.abs(z) < 0.02) {
    let sum = 0
    for (let k = 0; k < 6; k++) sum += (-z) ** k / (factorial(k) * factorial(n - 1) * (n + k))
    return Math.exp(-b) * sum
  }
  return (Math.exp(-b) - Math.exp(-a) * firstTerms(z, n)) / z ** n
}

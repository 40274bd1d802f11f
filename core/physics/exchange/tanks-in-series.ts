import { crossing } from '../../base/solve'

/**
 * Old share left at the outlet after `volumes` volumes of clean feed through `tanks` equal stirred tanks:
 * e^(−Nθ)·Σ_{i<N} (Nθ)^i / i!. Three tanks and two volumes leave 6.2 %.
 *
 * @source Levenspiel, Chemical Reaction Engineering, tanks-in-series
 */
export function tanksOutletShare(volumes: number, tanks: number): number {
  const a = tanks * volumes
  return Math.min(1, Math.exp(-a) * firstTerms(a, tanks))
}

/** The first n terms of the series of e^x. */
export function firstTerms(x: number, n: number): number {
  let term = 1
  let sum = 1
  for (let i = 1; i < n; i++) {
    term *= x / i
    sum += term
  }
  return sum
}

/** Volumes of clean feed until the outlet's old share falls to `targetShare` (above 0, below 1). */
export function tanksVolumes(targetShare: number, tanks: number): number {
  let high = 1
  while (tanksOutletShare(high, tanks) > targetShare) high *= 2
  return crossing((volumes) => tanksOutletShare(volumes, tanks), targetShare, 0, high)
}

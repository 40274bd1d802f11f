import { CORNER_TANKS } from './purge'

/** One corner fed from the reservoir: the volume it holds and what is pushed through it. */
export type FedCorner = { id: string; volumeMl: number; throughMl: number }

/**
 * Old share left at each bleeder when the reservoir that feeds it still holds some old fluid.
 *
 * The reservoir is one stirred tank kept at `reservoirMl` by topping up with new, each corner three tanks in
 * series; the reservoir's state is carried from wheel to wheel. 200 mL of old reservoir, one 80 mL corner and
 * 240 mL pushed through leave 46 %, where a clean feed would leave 0.6 %.
 *
 * @param startOldShare old share in the reservoir before the first corner, 0 to 1
 * @returns outlet share (0 to 1) by corner, and what is left in the reservoir at the end
 * @source Levenspiel, stirred tanks in series; solved in closed form for a feed that thins out exponentially
 */
export function carryReservoir(
  reservoirMl: number,
  startOldShare: number,
  corners: readonly FedCorner[],
): { outlet: Record<string, number>; reservoirShare: number } {
  let reservoirShare = startOldShare
  const outlet: Record<string, number> = {}
  for (const { id, volumeMl, throughMl } of corners) {
    outlet[id] = cornerOutletShare(reservoirMl, reservoirShare, volumeMl, throughMl)
    reservoirShare *= Math.exp(-throughMl / reservoirMl)
  }
  return { outlet, reservoirShare }
}

/**
 * Old share at one corner's outlet: what was in its three tanks, washed out, and what the reservoir sent after it.
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
  const tankVolumes = (CORNER_TANKS * throughMl) / volumeMl
  const washed = Math.exp(-tankVolumes) * (1 + tankVolumes + tankVolumes ** 2 / 2)
  const reservoirs = throughMl / reservoirMl
  return washed + reservoirShare * tankVolumes ** 3 * sent(tankVolumes, reservoirs)
}

/** ∫₀¹ ½u²·e^(−au)·e^(−b(1−u)) du, for a tank volumes and b reservoir volumes. */
function sent(a: number, b: number): number {
  const z = a - b
  // Near equal the closed form is a small difference of large numbers; its series is exact to the last digits there.
  if (Math.abs(z) < 0.02)
    return Math.exp(-b) * (1 / 6 - z / 8 + z ** 2 / 20 - z ** 3 / 72 + z ** 4 / 336 - z ** 5 / 1920)
  return (Math.exp(-b) - Math.exp(-a) * (1 + z + z ** 2 / 2)) / z ** 3
}

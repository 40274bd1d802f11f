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
 * @source Levenspiel, stirred tanks in series, integrated in small steps
 */
export function carryReservoir(
  reservoirMl: number,
  startOldShare: number,
  corners: readonly FedCorner[],
): { outlet: Record<string, number>; reservoirShare: number } {
  let reservoir = startOldShare
  const outlet: Record<string, number> = {}
  for (const corner of corners) {
    const tankMl = corner.volumeMl / CORNER_TANKS
    const tanks = new Array<number>(CORNER_TANKS).fill(1)
    const steps =
      tankMl > 0 ? Math.max(50, Math.ceil((corner.throughMl / Math.min(tankMl, reservoirMl)) * 40)) : 1
    const stepMl = corner.throughMl / steps
    // Each stirred tank relaxes exactly towards its feed over a step, so the steps may be coarse.
    const keep = tankMl > 0 ? Math.exp(-stepMl / tankMl) : 0
    const keepReservoir = Math.exp(-stepMl / reservoirMl)
    for (let step = 0; step < steps; step++) {
      let feed = reservoir * ((1 + keepReservoir) / 2)
      reservoir *= keepReservoir
      for (const [i, share] of tanks.entries()) {
        const after = feed + (share - feed) * keep
        tanks[i] = after
        feed = (share + after) / 2
      }
    }
    outlet[corner.id] = tanks.at(-1) ?? 0
  }
  return { outlet, reservoirShare: reservoir }
}

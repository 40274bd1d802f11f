import { ImpossibleInput } from '../../base/fault'
import { laminarVolumes } from './laminar-tail'
import { tanksVolumes } from './tanks-in-series'

/** A line with a caliper at its end mixes like about three tanks. @source common use of Levenspiel's model */
export const CORNER_TANKS = 3
const MOST_TANKS = 200

/**
 * Clean fluid to push through one volume, by tanks in series, with the laminar tail beside it.
 *
 * @param targetOldPct old share at the outlet, above 0 and below 100 %
 * @returns `ml` and `volumes` by tanks in series alone, `laminarMl` for a bare tube
 * @throws ImpossibleInput with the field at fault
 * @source Levenspiel, tanks-in-series and laminar residence time
 */
export function purge(input: { volumeMl: number; tanks: number; targetOldPct: number }): {
  ml: number
  volumes: number
  laminarMl: number
} {
  const { volumeMl, tanks, targetOldPct } = input
  if (!(volumeMl > 0)) throw new ImpossibleInput('volumeMl', 'give a volume above 0 mL')
  if (!(Number.isInteger(tanks) && tanks >= 1 && tanks <= MOST_TANKS))
    throw new ImpossibleInput('tanks', `give a whole number of tanks from 1 to ${MOST_TANKS}`)
  if (!(targetOldPct > 0 && targetOldPct < 100))
    throw new ImpossibleInput('targetOldPct', 'give an old share above 0 and below 100 %')
  const volumes = tanksVolumes(targetOldPct / 100, tanks)
  return { ml: volumes * volumeMl, volumes, laminarMl: laminarVolumes(targetOldPct / 100) * volumeMl }
}

/** Volumes a plan pushes through a corner: the worse of stirred tanks and laminar tail. */
export function cornerVolumes(targetShare: number): number {
  return Math.max(tanksVolumes(targetShare, CORNER_TANKS), laminarVolumes(targetShare))
}

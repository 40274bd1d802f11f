/** One piece of line: its length and inside diameter. */
export type TubeSegment = { lengthM: number; boreMm: number }

/**
 * What a tube holds, π/4·d²·L.
 *
 * @returns mL; one metre of 3.34 mm bore (3/16 in tube) holds 8.76 mL
 * @source geometry
 */
export function tubeMl({ lengthM, boreMm }: TubeSegment): number {
  return (Math.PI / 4) * boreMm ** 2 * lengthM
}

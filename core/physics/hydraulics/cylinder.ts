/**
 * What a cylinder moves, π/4·D²·s.
 *
 * @param boreMm bore or piston diameter; @param travelMm how far it moves
 * @returns mL; a 54 mm piston 10 mm further out holds 22.9 mL more
 * @source geometry
 */
export function cylinderMl(boreMm: number, travelMm: number): number {
  return (Math.PI / 4) * boreMm ** 2 * travelMm * 1e-3
}

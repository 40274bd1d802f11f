/** Below it the flow in a smooth tube is laminar, above the second it is turbulent; between, nobody can say. */
export const LAMINAR_REYNOLDS = 2300
const TURBULENT_REYNOLDS = 4000

/**
 * Darcy friction factor of a smooth round tube: 64/Re where the flow is laminar, Blasius's law where it is turbulent,
 * and a straight line between the two, so that pressure never falls as flow rises.
 *
 * @param reynolds above 0; Blasius holds to about 100 000, more than any brake line sees
 * @source Hagen–Poiseuille below 2300; Blasius 1913 (0.3164·Re^−¼) above 4000
 */
export function frictionFactor(reynolds: number): number {
  const turbulent = (re: number) => 0.3164 * re ** -0.25
  if (reynolds <= LAMINAR_REYNOLDS) return 64 / reynolds
  if (reynolds >= TURBULENT_REYNOLDS) return turbulent(reynolds)
  const low = 64 / LAMINAR_REYNOLDS
  const along = (reynolds - LAMINAR_REYNOLDS) / (TURBULENT_REYNOLDS - LAMINAR_REYNOLDS)
  return low + along * (turbulent(TURBULENT_REYNOLDS) - low)
}

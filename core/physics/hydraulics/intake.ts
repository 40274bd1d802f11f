import { crossing } from '../../base/solve'
import { dropKPa, type Liquid, orificeDropKPa } from './flow'

/**
 * The way from a reservoir into a chamber at rest: its compensating port, and beside it the cup, which folds once the
 * reservoir stands so much higher. No vehicle file states either. @source from memory
 */
export const usualIntake = { portMm: 0.7, cupHoleMm: 2.2, cupCracksKPa: 5, lengthM: 0.002 } as const

const holeDropKPa = (mm: number, mlPerMin: number, liquid: Liquid): number =>
  dropKPa({ boreMm: mm, lengthM: usualIntake.lengthM }, mlPerMin, liquid) +
  orificeDropKPa(mm, mlPerMin, liquid.densityKgM3)

/**
 * Pressure that the way into the chamber takes, kPa: all of the flow by the port, until that takes what folds the cup;
 * from there on the two of them side by side. Worked: 20 mL/min of DOT 4 at 20 °C take 2.9 kPa of the 6.2 that 0.6 m of
 * fluid give, and that is why gravity is slower than the lines alone would have it.
 *
 * @param mlPerMin 0 or more
 * @source Hagen–Poiseuille and a sharp-edged orifice, as in `flowMlPerMin`
 */
export function intakeDropKPa(mlPerMin: number, liquid: Liquid): number {
  const { portMm, cupHoleMm, cupCracksKPa } = usualIntake
  const byPort = holeDropKPa(portMm, mlPerMin, liquid)
  if (byPort <= cupCracksKPa) return byPort
  // What goes by the port takes as much as the cup does with the rest.
  const portMlPerMin = crossing(
    (port) => holeDropKPa(portMm, port, liquid) - holeDropKPa(cupHoleMm, mlPerMin - port, liquid),
    cupCracksKPa,
    0,
    mlPerMin,
  )
  return holeDropKPa(portMm, portMlPerMin, liquid)
}

import { fluidOf } from '../../fluid/specs'
import type { Fluid } from '../../fluid/specs/fluid'
import { type BleederOpening, usualBleeder } from '../../physics/hydraulics/bleeder'
import { densityKgM3 } from '../../physics/hydraulics/density'
import { headKPa } from '../../physics/hydraulics/flow'
import { intakeDropKPa } from '../../physics/hydraulics/intake'
import { GRAVITY_HEAD_M, liquidAt } from '../../technique/corner-flow'
import { flowsTogether } from '../../technique/open-network'
import type { Technique } from '../../technique/technique'
import { openPoints, routedBleederOf } from '../points'
import type { Seen } from './watch'

/** What drives the fluid, kPa; undefined where a foot or a hand does, which nobody measures. */
function drivingKPa(technique: Technique, { run }: Seen['state'], fluid: Fluid, tempC: number) {
  if (technique.drives === 'gravity') return headKPa(GRAVITY_HEAD_M, densityKgM3(fluid, tempC))
  if (technique.drives !== 'machine' && technique.drives !== 'vacuum') return undefined
  const { pressureKPa = 0, vacuumKPa = 0 } = run.setup
  // A look at fresh joints has a pressure of its own, which drives no vacuum bleed.
  const kPa = technique.drives === 'vacuum' ? vacuumKPa : pressureKPa + vacuumKPa
  return kPa > 0 ? kPa : undefined
}

/**
 * What a bleeder should pass in the company it was timed in, or runs in now, mL/min; undefined where that cannot be
 * said.
 *
 * @param opening how far it is open
 */
export function expectedMlPerMin(
  { state, technique, stageRun }: Pick<Seen, 'state' | 'technique' | 'stageRun'>,
  point: string,
  opening: BleederOpening = usualBleeder,
): number | undefined {
  const { planned, vehicle } = state
  const own = routedBleederOf(vehicle, point)?.route
  if (!planned || !own) return undefined
  const fluid = fluidOf(planned.plan.fluid.spec)
  const { tempC } = planned.shop
  const kPa = drivingKPa(technique, state, fluid, tempC)
  if (kPa === undefined) return undefined
  const liquid = liquidAt({ fluid, tempC })
  const company = stageRun.at[point]?.timedWith ?? openPoints(state.run).filter((id) => id !== point)
  const running = (technique.bottlesAtOnce ?? 1) > 1 ? [point, ...company] : [point]
  const open = running.flatMap((id) => {
    const route = routedBleederOf(vehicle, id)?.route
    return route ? { id, route } : []
  })
  return flowsTogether(open, kPa, liquid, opening, intakeDropKPa).get(point)
}

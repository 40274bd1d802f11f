import { fluidOf } from '../../fluid/specs'
import type { Fluid } from '../../fluid/specs/fluid'
import { usualBleeder } from '../../physics/hydraulics/bleeder'
import { densityKgM3 } from '../../physics/hydraulics/density'
import { headKPa } from '../../physics/hydraulics/flow'
import { GRAVITY_HEAD_M, liquidAt, runFlow } from '../../technique/corner-flow'
import type { Technique } from '../../technique/technique'
import { bleederRunOf } from '../points'
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

/** What a bleeder's own line should pass now, mL/min; undefined where that cannot be said. */
export function expectedMlPerMin(
  { state, technique }: Pick<Seen, 'state' | 'technique'>,
  point: string,
): number | undefined {
  const { planned, vehicle } = state
  const lines = bleederRunOf(vehicle, point)?.run?.lines
  if (!planned || !lines) return undefined
  const fluid = fluidOf(planned.plan.fluid.spec)
  const { tempC } = planned.shop
  const kPa = drivingKPa(technique, state, fluid, tempC)
  if (kPa === undefined) return undefined
  return runFlow(
    lines.flatMap(({ segments }) => segments),
    kPa,
    liquidAt({ fluid, tempC }),
    usualBleeder,
  )
}

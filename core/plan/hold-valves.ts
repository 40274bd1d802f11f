import type { Rig } from '../rig/run'
import { valvesHeld } from '../technique/standing'
import type { Step } from '../technique/step'
import { partsOf } from '../vehicle/parts'

/** Do to the simulated vehicle's valves what a step holds open, or lets shut again. */
export function holdValves(rig: Rig, step: Step): void {
  for (const held of valvesHeld(step))
    for (const { id, role } of partsOf(rig.assembly.vehicle, 'valve'))
      if (role === held.role) rig.do({ do: 'hold', valve: id, on: held.on, for: 0 })
}

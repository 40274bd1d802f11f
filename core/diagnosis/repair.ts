import type { PartKey } from './usual'

/** What the planner is asked for once a repair is done: kinds of work on a place of the vehicle. */
export type RepairWork = 'soft-pedal' | 'exchange' | 'conversion' | 'opened' | 'replaced'

/** Something that mends: a new part, a bleed, an adjustment. */
export type Repair = {
  id: string
  /** Hands' minutes, the bleed that follows left out. @source from memory */
  minutes: number
  /** Minutes and mL of the bleed that follows, where no vehicle says better. @source from memory */
  bleed?: { minutes: number; ml: number }
  parts?: readonly PartKey[]
  /** Where it is a drum brake. */
  partsOfDrum?: readonly PartKey[]
  /** Everything it mends, by cause. */
  mends: readonly string[]
  /** What is planned afterwards; left out where no fluid moves. */
  work?: RepairWork
}

import type { PartKey } from './usual'

/** What the planner is asked for once a repair is done: kinds of work on a place of the vehicle. */
export type RepairWork = 'soft-pedal' | 'exchange' | 'conversion' | 'opened' | 'replaced'

/** Another way to the same end: other hands' minutes and parts, the same bleed after it. */
export type RepairOption = Pick<Repair, 'minutes' | 'parts' | 'partsOfDrum'> & { id: string }

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
  /** Other ways, which an estimate shows beside it. */
  options?: readonly RepairOption[]
}

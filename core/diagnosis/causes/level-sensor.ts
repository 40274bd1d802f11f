import type { Cause } from '../cause'
import { newSensor } from '../repairs/new-sensor'

/** The sensor or its float says low where it is not. */
export const levelSensor: Cause = {
  id: 'level-sensor',
  chance: { 'low-level': 8 },
  possible: ({ levelLamp }) => levelLamp,
  repair: newSensor,
}

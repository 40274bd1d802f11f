import type { Repair } from '../repair'

/** Another level sensor or float. */
export const newSensor: Repair = {
  id: 'new-sensor',
  minutes: 15,
  parts: ['level-sensor'],
  mends: ['level-sensor'],
}

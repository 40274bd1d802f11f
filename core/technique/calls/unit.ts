import { leftOpenCall } from './left-open'
import type { CallMachine } from './machine'

/** The unit drives or pulses while the bleeder is open; it asks for the pedal where it wants it. */
export const unitCall: CallMachine = {
  ...leftOpenCall('unit', { opens: 'open-for-tool', runs: 'unit-drives' }, false),
  unitAsks: true,
}

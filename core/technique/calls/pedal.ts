import { pressedCall } from './pressed'

/** Two-person bleeding at a bleeder. */
export const pedal = pressedCall('pedal', (joint) => `Open ${joint}, a quarter turn.`)

import { pressedCall } from './pressed'

/** At the cylinder's ports in place: the nut is cracked with the pedal held, and closed before it is released. */
export const ports = pressedCall('ports', 'crack')

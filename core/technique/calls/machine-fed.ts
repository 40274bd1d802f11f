import { leftOpenCall } from './left-open'

/** Pressure at the reservoir, or a syringe from below: the machine drives, the bleeder stays open. */
export const machineFed = leftOpenCall('machine', { opens: 'open-half', runs: 'machine-drives' }, false)

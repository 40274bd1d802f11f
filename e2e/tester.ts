import { Device } from './device'

export type Tester = Device

/** The simulated fluid tester in a process of its own, with its dials. */
export const Tester = { start: (): Promise<Device> => Device.start('tester') }

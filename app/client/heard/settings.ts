import { keptHere } from '../kept-here'

/** What this device does besides showing: silent until somebody asks. */
export type Heard = { sound: boolean; voice: boolean }

const heard = keptHere<Heard>(
  'heard',
  (kept) => {
    const { sound, voice } = kept as Partial<Heard>
    return { sound: sound === true, voice: voice === true }
  },
  { sound: false, voice: false },
)

export const setHeard = (changed: Partial<Heard>): void => heard.set({ ...heard.now(), ...changed })
export const useHeard = heard.use

import { keptHere } from '~/client/kept-here'

/** Keys that mean something here already, or leave the page. */
const TAKEN = new Set(['Enter', 'Escape', 'Tab', 'Shift', 'Control', 'Alt', 'Meta', 'CapsLock', '?'])
const BAY_KEYS = /^[bc1-9]$/i

/** Whether a key may go on with the work: none that says something else in the bay. */
export const mayBeFootSwitch = (key: string): boolean => !TAKEN.has(key) && !BAY_KEYS.test(key)

/** A foot switch is a keyboard with one key: the one that it sends, on this device. */
const footSwitch = keptHere<string>(
  'foot-switch',
  (kept) => (typeof kept === 'string' && mayBeFootSwitch(kept) ? kept : ' '),
  ' ',
)
/** Learn the key that the foot switch sends. */
export const learnFootSwitch = footSwitch.set
/** The key of the foot switch; Space while nothing else was learned. */
export const useFootSwitch = footSwitch.use
/** Whether an event is the foot switch or Space. */
export const isGoOnKey = ({ key }: KeyboardEvent): boolean => key === ' ' || key === footSwitch.now()

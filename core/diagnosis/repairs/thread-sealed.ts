import type { Repair } from '../repair'

/** Looked at once without vacuum: there was no air. */
export const threadSealed: Repair = {
  id: 'thread-sealed',
  minutes: 5,
  mends: ['false-bubbles'],
}

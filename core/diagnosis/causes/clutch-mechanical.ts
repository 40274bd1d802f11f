import type { Cause } from '../cause'
import { clutchWork } from '../repairs/clutch-work'

/** The clutch itself, and not what works it. */
export const clutchMechanical: Cause = {
  id: 'clutch-mechanical',
  chance: { 'no-clutch': 10 },
  possible: ({ clutch }) => clutch,
  repair: clutchWork,
}

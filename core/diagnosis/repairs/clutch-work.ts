import type { Repair } from '../repair'

/** The clutch itself. */
export const clutchWork: Repair = {
  id: 'clutch-work',
  minutes: 240,
  parts: ['clutch'],
  mends: ['clutch-mechanical'],
}

import type { Repair } from '../repair'

/** Another line. */
export const newLine: Repair = {
  id: 'new-line',
  minutes: 60,
  bleed: { minutes: 25, ml: 150 },
  parts: ['line'],
  mends: ['line-blocked'],
  work: 'replaced',
  options: [{ id: 'piece', minutes: 40, parts: ['line'] }],
}

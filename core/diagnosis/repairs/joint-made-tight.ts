import type { Repair } from '../repair'

/** What is wet made tight, or another part in its place. */
export const jointMadeTight: Repair = {
  id: 'joint-made-tight',
  minutes: 45,
  bleed: { minutes: 35, ml: 200 },
  parts: ['line'],
  mends: ['outside-leak', 'air-lines'],
  work: 'replaced',
}

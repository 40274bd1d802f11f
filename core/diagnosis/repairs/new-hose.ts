import type { Repair } from '../repair'

/** Another hose. */
export const newHose: Repair = {
  id: 'new-hose',
  minutes: 30,
  bleed: { minutes: 20, ml: 120 },
  parts: ['hose'],
  mends: ['hose-closed', 'hose-soft'],
  work: 'replaced',
  options: [{ id: 'pair', minutes: 55, parts: ['hose', 'hose'] }],
}

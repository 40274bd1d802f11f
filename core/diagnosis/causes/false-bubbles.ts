import type { Cause } from '../cause'
import { threadSealed } from '../repairs/thread-sealed'

/** Bubbles that are drawn past a thread, and never were in the line. */
export const falseBubbles: Cause = {
  id: 'false-bubbles',
  chance: { 'air-never-ends': 12 },
  at: 'brake',
  repair: threadSealed,
}

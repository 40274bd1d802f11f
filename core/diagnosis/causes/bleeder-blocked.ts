import type { Cause } from '../cause'
import { newBleeder } from '../repairs/new-bleeder'

/** A bleeder or its passage is blocked. */
export const bleederBlocked: Cause = {
  id: 'bleeder-blocked',
  chance: { 'no-flow-one': 35 },
  at: 'brake',
  repair: newBleeder,
}

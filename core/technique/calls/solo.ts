import { leftOpenCall } from './left-open'
import type { CallMachine } from './machine'

/** One person and a check valve, or a hose end under fluid above the bleeder: slow strokes with the bleeder open. */
export const solo: CallMachine = {
  ...leftOpenCall('solo', { opens: 'open-under-fluid', runs: 'slow-strokes' }, true),
  strokesOpen: true,
}

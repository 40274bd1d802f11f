import { boreLeft, type Cause } from '../cause'
import { newLine } from '../repairs/new-line'

/** A line is blocked or squeezed flat. */
export const lineBlocked: Cause = {
  id: 'line-blocked',
  chance: { 'drag-one': 3, 'hard-pedal': 10, 'pulls-to-one-side': 4, 'no-flow-one': 15, 'no-clutch': 1 },
  at: 'line',
  repair: newLine,
  onRig: (at, severity) => ({ faults: [{ kind: 'hose-closed', at, boreMm: boreLeft(0.12, severity) }] }),
}

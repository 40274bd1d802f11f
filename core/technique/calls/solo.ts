import { leftOpenCall } from './left-open'

/** One person and a check valve, or a hose end under fluid above the bleeder: slow strokes with the bleeder open. */
export const solo = leftOpenCall(
  'solo',
  {
    opens: (joint) => `Open ${joint}, half a turn; hose end well under fluid.`,
    runs: 'Slow full strokes. Then look at the hose.',
  },
  true,
)

import { leftOpenCall } from './left-open'

/** The unit drives or pulses while the bleeder is open; it asks for the pedal where it wants it. */
export const unit = leftOpenCall(
  'unit',
  {
    opens: (joint) => `Open ${joint}, half a turn, then let the tool start.`,
    runs: 'The unit drives: it may be fast. Do what the tool asks, and watch hose and reservoir.',
  },
  false,
)

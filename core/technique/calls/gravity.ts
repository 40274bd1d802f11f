import { leftOpenCall } from './left-open'

/** Its own weight drives the fluid into a bottle with a standpipe. */
export const gravity = leftOpenCall(
  'gravity',
  {
    opens: (joint) => `Bottle hung, hose end under fluid. Open ${joint}.`,
    runs: 'Let it run. Watch hose and reservoir.',
  },
  true,
)

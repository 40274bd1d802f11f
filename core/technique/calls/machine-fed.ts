import { leftOpenCall } from './left-open'

/** Pressure at the reservoir, or a syringe from below: the machine drives, the bleeder stays open. */
export const machineFed = leftOpenCall(
  'machine',
  { opens: (joint) => `Open ${joint}, half a turn.`, runs: 'The machine drives. Watch the hose.' },
  false,
)

import type { BleedMethod } from './method'
import { pedalMinutes, refusePump } from './pedal'

/** Pump, hold, open, close, release, between the wheel and the cab. @source common practice */
export const twoPerson: BleedMethod = {
  id: 'two-person',
  name: 'Two-person',
  why: 'A helper on the pedal; the bleeder closes before the pedal is released.',
  call: 'pedal',
  exclude: refusePump,
  settings: () => ({}),
  minutes: (context) => pedalMinutes(context, { secondsPerPull: 10, minutesPerBleeder: 3 }),
  riskMinutes: () => 4,
}

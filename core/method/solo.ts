import type { BleedMethod } from './method'
import { pedalMinutes, refusePump } from './pedal'

/** One person: a hose with a check valve, or its end under fluid in a bottle above the bleeder. @source common practice */
export const solo: BleedMethod = {
  id: 'solo',
  name: 'Solo with check valve',
  why: 'Nobody to help: a check valve (or the hose end 25 mm under fluid, above the bleeder) keeps air out.',
  call: 'solo',
  exclude: refusePump,
  settings: () => ({}),
  minutes: (context) => pedalMinutes(context, { secondsPerPull: 6, minutesPerBleeder: 5 }),
  riskMinutes: () => 10,
}

import { portsRisk } from './cylinder-work'
import { atWheel } from './step'
import { neverExcluded, noSettings, type Technique } from './technique'

/** The same with the pedal held down by a prop. @source common practice */
export const portsProp: Technique = {
  id: 'ports-prop',
  method: 'ports',
  name: 'At the cylinder’s ports, pedal propped',
  why: 'Nobody to help: a prop holds the pedal while the nut is cracked.',
  at: 'cylinder',
  needs: ['pedal-prop'],
  call: 'ports',
  exclude: neverExcluded,
  ...noSettings,
  minutes: () => ({ fluidMinutes: 0, handlingMinutes: 16 }),
  riskMinutes: (context) => portsRisk(context) + 4,
  steps: () => ({
    before: [
      atWheel('rag', 'Rag under the cylinder, eyes protected, reservoir above MIN.'),
      atWheel('prop', 'Prop ready at the pedal: it holds the pedal down where the call says HOLD.'),
    ],
    after: [
      atWheel('prop-out', 'Prop out, nobody in the cab.'),
      atWheel('tight', 'Nuts tight to the maker’s torque; rinse what was spilled.'),
    ],
  }),
  round: ['Press, set the prop.', 'Crack the nut a quarter turn; close it.', 'Only then take the prop out.'],
  done: 'Solid fluid at every port.',
  mistakes: ['The prop slips with the nut open: air.', 'The prop left in.'],
}

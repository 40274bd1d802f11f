import { portsRisk } from './cylinder-work'
import { atWheel } from './step'
import { neverExcluded, noSettings, type Technique } from './technique'

/** Each nut at the cylinder cracked with the pedal held. @source common practice */
export const portsHelper: Technique = {
  id: 'ports-helper',
  method: 'ports',
  name: 'At the cylinder’s ports, with a helper',
  why: 'The cylinder’s own air is let out where it stands, before it is pushed on.',
  at: 'cylinder',
  needsHelper: true,
  needs: [],
  call: 'ports',
  exclude: neverExcluded,
  ...noSettings,
  minutes: () => ({ fluidMinutes: 0, handlingMinutes: 12 }),
  riskMinutes: portsRisk,
  steps: () => ({
    before: [atWheel('rag', 'Rag under the cylinder, eyes protected, reservoir above MIN.')],
    after: [atWheel('tight', 'Nuts tight to the maker’s torque; rinse what was spilled.')],
  }),
  round: ['Cab: press and hold.', 'Crack the nut a quarter turn; close it.', 'Only then the cab releases.'],
  done: 'Solid fluid at every port.',
  mistakes: ['The pedal comes up with the nut open: air.', 'Fluid left on the paint under the cylinder.'],
}

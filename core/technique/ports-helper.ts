import { ports } from './calls/ports'
import { portsRisk } from './cylinder-work'
import { atWheel } from './step'
import { neverExcluded, noSettings, type Technique } from './technique'

/** Each nut at the cylinder cracked with the pedal held. @source common practice */
export const portsHelper: Technique = {
  id: 'ports-helper',
  method: 'ports',
  at: 'cylinder',
  drives: 'foot',
  cylinder: 'in-place',
  needsHelper: true,
  needs: [],
  call: ports,
  exclude: neverExcluded,
  ...noSettings,
  minutes: () => ({ fluidMinutes: 0, handlingMinutes: 12 }),
  riskMinutes: portsRisk,
  steps: () => ({
    before: [atWheel('rag')],
    after: [atWheel('tight')],
  }),
}

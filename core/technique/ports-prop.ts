import { ports } from './calls/ports'
import { portsRisk } from './cylinder-work'
import { atWheel } from './step'
import { neverExcluded, noSettings, type Technique } from './technique'

/** The same with the pedal held down by a prop. @source common practice */
export const portsProp: Technique = {
  id: 'ports-prop',
  method: 'ports',
  at: 'cylinder',
  drives: 'foot',
  cylinder: 'in-place',
  needs: ['pedal-prop'],
  call: ports,
  exclude: neverExcluded,
  ...noSettings,
  minutes: () => ({ fluidMinutes: 0, handlingMinutes: 16 }),
  riskMinutes: (context) => portsRisk(context) + 4,
  steps: () => ({
    before: [atWheel('rag'), { ...atWheel('prop'), sets: 'prop' }],
    after: [{ ...atWheel('prop-out'), clears: 'prop' }, atWheel('tight')],
  }),
}

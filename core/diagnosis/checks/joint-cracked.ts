import { type Check, second } from '../check'

/** The joint before the hose cracked: fluid that comes there is held behind it, else before it. @source common practice */
export const jointCracked: Check = {
  id: 'joint-cracked',
  minutes: 10,
  steps: 3,
  results: ['nothing-comes', 'comes'],
  where: ['comes', 'nothing-comes'],
  complaints: ['no-flow-one'],
  possible: ({ hoses }) => hoses,
  otherwise: second(0.5),
  under: {
    'hose-closed': second(0.94),
    'bleeder-blocked': second(0.95),
    'brake-seized': second(0.93),
    'line-blocked': second(0.06),
    'unit-valve': second(0.08),
    'cylinder-no-draw': second(0.08),
  },
  cautions: ['rag-and-shield', 'fluid-eats-paint'],
}

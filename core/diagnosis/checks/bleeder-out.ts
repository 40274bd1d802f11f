import { type Check, second } from '../check'

/** A bleeder that gives nothing taken right out: what comes then was held by its own passage. @source common practice */
export const bleederOut: Check = {
  id: 'bleeder-out',
  minutes: 8,
  steps: 3,
  results: ['nothing-comes', 'comes'],
  where: ['comes', 'nothing-comes'],
  complaints: ['no-flow-one'],
  otherwise: second(0.06),
  under: { 'bleeder-blocked': second(0.94) },
  cautions: ['eye-protection', 'fluid-eats-paint'],
}

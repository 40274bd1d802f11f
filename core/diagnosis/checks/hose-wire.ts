import { type Check, second } from '../check'

/** A hose that is off, tried with a thin wire: what closed up inside stops it. @source common practice */
export const hoseWire: Check = {
  id: 'hose-wire',
  minutes: 25,
  steps: 3,
  results: ['passes', 'stops'],
  where: ['stops', 'passes'],
  complaints: ['drag-one', 'no-flow-one', 'pulls-to-one-side'],
  possible: ({ hoses }) => hoses,
  otherwise: second(0.04),
  // A flap lets a wire by as it lets fluid by.
  under: { 'hose-closed': second(0.8) },
  cautions: ['eye-protection', 'fluid-eats-paint'],
}

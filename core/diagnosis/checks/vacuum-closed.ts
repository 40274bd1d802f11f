import { type Check, second } from '../check'

/** The bleeder closed with the vacuum on: bubbles that go on come past its thread. */
export const vacuumClosed: Check = {
  id: 'vacuum-closed',
  minutes: 5,
  steps: 3,
  setUp: 'hose-on',
  results: ['stop', 'go-on'],
  complaints: ['air-never-ends'],
  otherwise: second(0.04),
  under: {
    'false-bubbles': second(0.93),
  },
}

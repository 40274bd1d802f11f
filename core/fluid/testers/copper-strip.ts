import { bandAround } from '../../base/band'
import { fact } from '../../base/decision'
import type { Tester } from './tester'

/** A strip is read by eye between two pads. @source from memory */
const ERROR_SHARE = 0.25

/** A strip whose pad takes on a colour by the copper in the fluid. */
export const copperStrip: Tester = {
  gives: 'copper-ppm',
  sureness: 3,
  asks: { of: 'number', unit: 'ppm', min: 0, max: 100_000 },
  mayPass: false,
  tell: (value) => ({
    copperPpm: bandAround(value, Math.max(10, ERROR_SHARE * value)),
    cannot: [fact('copper-is-no-water')],
  }),
}

import { fact } from '../../base/decision'
import type { Tester } from './tester'

/** Below it the ohmmeter condemns; above it, it proves nothing. Probes about 5 mm apart. @source common practice */
export const CONDEMNING_MEGOHM = 5

/** An ohmmeter of at least 10 MΩ with its probes in the fluid. */
export const ohmmeter: Tester = {
  gives: 'megohm',
  sureness: 1,
  asks: { of: 'number', unit: 'MΩ', min: 0, max: 100_000 },
  mayPass: false,
  tell(value, { pair }) {
    // Silicone and mineral oil hardly conduct: there a low reading is dirt, free water or another fluid.
    if (value < CONDEMNING_MEGOHM)
      return {
        condemns: fact('resistance-replace', {
          megohm: value,
          limit: CONDEMNING_MEGOHM,
          takesWater: pair !== undefined,
        }),
        cannot: [],
      }
    return { cannot: [fact('resistance-proves-nothing', { megohm: value })] }
  },
}

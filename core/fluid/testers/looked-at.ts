import { fact } from '../../base/decision'
import { ImpossibleInput } from '../../base/fault'
import { type Colour, colours } from '../specs/colour'
import type { Tester } from './tester'

/** What the eye alone may condemn. @source common practice */
const spent: ReadonlySet<Colour> = new Set(['black', 'gritty'])

/** Nobody measured anything: it can say replace, never keep. */
export const lookedAt: Tester = {
  sureness: 0,
  asks: { of: 'colour' },
  mayPass: false,
  tell(value) {
    const colour = colours[value]
    if (!colour) throw new ImpossibleInput('value', 'pick a colour')
    return {
      ...(spent.has(colour) && {
        condemns: fact('look-condemns', {
          colour: fact(`colour-${colour}`),
          clue: fact(`colour-clue-${colour}`),
        }),
      }),
      cannot: [fact('a-look-is-no-measurement', { colour: fact(`colour-${colour}`) })],
    }
  },
}

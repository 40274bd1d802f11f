import { expect, test } from 'vitest'
import { callsItself, type PhoneLink } from './agree'

test('what follows by itself is called while the phone is heard, late once it shows the turn; a phone that is not heard, or none, ends the waiting for it', () => {
  const phone = (link: PhoneLink, shows: number) => callsItself({ link, shows }, 7)
  expect([phone('linked', 6), phone('linked', 7), phone('late', 8)]).toEqual(['now', 'now', 'now'])
  expect([phone('linked', 0), phone('late', 6), phone('late', -1)]).toEqual(['soon', 'soon', 'soon'])
  for (const link of ['none', 'lost', 'dark'] as const) expect(phone(link, 7)).toBe('no')
})

import { expect, test } from 'vitest'
import { callsItself, type PhoneLink } from './agree'

test('what follows by itself is called once the phone shows the turn; a phone that is not heard, or none, ends the waiting for it', () => {
  const phone = (link: PhoneLink, shows: number) => callsItself({ link, shows }, 7)
  expect([phone('linked', 7), phone('late', 8)]).toEqual(['now', 'now'])
  expect([phone('linked', 6), phone('late', 0)]).toEqual(['soon', 'soon'])
  for (const link of ['none', 'lost', 'dark'] as const) expect(phone(link, 7)).toBe('no')
})

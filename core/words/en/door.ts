import type { Words } from '../say'

/** What is said at the door. */
export const door: Words = {
  'pin-digits': 'A PIN is 4 to 8 digits.',
  'pin-trivial':
    'Anybody would try that PIN first: take one with at least three different digits, and no row.',
}

const LETTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZabcdefghijkmnopqrstuvwxyz23456789'

/**
 * A new id of 20 letters and digits, about 116 bits of chance.
 * From `getRandomValues`, since a page served over plain http on the shop's network has no `randomUUID`.
 */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(20))
  return Array.from(bytes, (byte) => LETTERS[byte % LETTERS.length]).join('')
}

import type { Fault } from './fault'

/** NUL, which a database cannot hold, and half a pair of surrogates, which no encoding has. */
// biome-ignore lint/suspicious/noControlCharactersInRegex: it is looked for
const NO_TEXT = /\u0000|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/

export const isPlainText = (text: string): boolean => !NO_TEXT.test(text)

const fault = (path: string): Fault => ({
  path,
  message: 'there is a sign in it that is no text (NUL, or half a character); leave it out',
})

/** Where a value that came from outside holds a text that cannot be kept, the names of its members included. */
export function textFaults(value: unknown, path = ''): Fault[] {
  if (typeof value === 'string') return isPlainText(value) ? [] : [fault(path)]
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, each]) => {
    const at = path ? `${path}.${key}` : key
    return isPlainText(key) ? textFaults(each, at) : [fault(path)]
  })
}

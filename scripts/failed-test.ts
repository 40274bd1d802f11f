import { relative } from 'node:path'
import { stripVTControlCharacters } from 'node:util'

const MOST_LINES = 4

/** What the end of a long run says of a test that failed: where it stands, its name and the start of its complaint. */
export const failedTest = (path: string, name: string, message: string): string => {
  const lines = stripVTControlCharacters(message)
    .split('\n')
    .filter((line) => line.trim())
    .slice(0, MOST_LINES)
  return [`${relative('.', path)}: ${name}`, ...lines.map((line) => `    ${line}`), ''].join('\n')
}

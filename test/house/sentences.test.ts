import { readdirSync, readFileSync } from 'node:fs'
import { expect, test } from 'vitest'

/** A string that begins like a sentence and goes on for at least three more words. */
const SENTENCE = /['"`][A-Z][a-z]+( [a-z0-9,’]+){3,}/

const lines = readdirSync('core', { recursive: true, encoding: 'utf8' })
  .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
  .filter((name) => !name.startsWith('words/') && !name.startsWith('impure-'))
  .flatMap((name) =>
    readFileSync(`core/${name}`, 'utf8')
      .split('\n')
      .flatMap((line, i) => (SENTENCE.test(line) ? [`${name}:${i + 1}`] : [])),
  )

test('facts are data: core/ holds no sentence outside core/words', () => {
  expect(lines).toEqual([])
})

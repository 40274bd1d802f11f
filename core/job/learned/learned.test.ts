import { expect, test } from 'vitest'
import { sayMetric as say } from '../../words'
import { type Learned, learnedFact, newestLearned } from './learned'

const fact = (kind: Learned['kind'], at: string, more: Partial<Learned> = {}): Learned => ({
  jobId: `job of ${at}`,
  at,
  kind,
  ...more,
})

test('of each thing the newest is kept, whatever order they come in', () => {
  const facts = [
    fact('spanner', '2026-03-01', { bleeder: 'RR', value: 9 }),
    fact('spanner', '2024-01-01', { bleeder: 'RR', value: 8 }),
    fact('spanner', '2024-01-01', { bleeder: 'RL', value: 8 }),
  ]
  expect(newestLearned(facts).map(({ bleeder, value }) => [bleeder, value])).toEqual([
    ['RL', 8],
    ['RR', 9],
  ])
  expect(newestLearned([...facts].reverse())).toEqual(newestLearned(facts))
})

test('what went wrong comes first: it wants something done before the work begins', () => {
  const kinds = newestLearned([
    fact('adapter', '2026-01-01', { what: 'three-lug, 45 mm' }),
    fact('seized', '2024-01-01', { bleeder: 'RR' }),
  ]).map(({ kind }) => kind)
  expect(kinds).toEqual(['seized', 'adapter'])
})

test('each is a sentence that names the bleeder and what to do or take', () => {
  const says = (learned: Learned) => say(learnedFact(learned))
  expect(says(fact('seized', '2026-01-01', { bleeder: 'RR' }))).toBe(
    'Bleeder RR was seized: soak it before you start.',
  )
  expect(says(fact('volume', '2026-01-01', { bleeder: 'RR', value: 118.4 }))).toBe(
    'Bleeder RR: 118 mL went through it.',
  )
  expect(says(fact('spanner', '2026-01-01', { bleeder: 'RL', value: 9 }))).toContain('9 mm')
  expect(says(fact('routine-minutes', '2026-01-01', { value: 14, plate: 'GNT 107' }))).toBe(
    'Its routine took 14 min. On GNT 107, of the same kind.',
  )
})

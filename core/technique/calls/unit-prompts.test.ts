import { expect, test } from 'vitest'
import { atTool } from '../step'
import { stepPrompts, unitPrompts } from './unit-prompts'

test('the tool is never told to start before the bleeder is open, and the wheel acts alone until then', () => {
  const before = unitPrompts('rest', 'bleeder rr')
  expect(before.filter(({ turn }) => turn).map(({ who }) => who)).toEqual(['wheel'])
  expect(before.find(({ who }) => who === 'tool')?.does).toContain('not started')
  expect(unitPrompts('open', 'bleeder rr').find(({ who }) => who === 'tool')?.does).toMatch(/^Start/)
})

test('a step is the turn of whose it is, and of nobody else', () => {
  const prompts = stepPrompts(atTool('battery', 'Battery supported.'))
  expect(prompts.filter(({ turn }) => turn)).toEqual([
    { who: 'tool', does: 'Battery supported.', turn: true },
  ])
})

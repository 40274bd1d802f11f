import { expect, test } from 'vitest'
import { atTool } from '../step'
import { stepPrompts, unitPrompts } from './unit-prompts'

const joint = { code: 'bleeder', params: { id: 'rr' } }

test('the tool is never told to start before the bleeder is open, and the wheel acts alone until then', () => {
  const before = unitPrompts('rest', joint)
  expect(before.filter(({ turn }) => turn).map(({ who }) => who)).toEqual(['wheel'])
  expect(before.find(({ who }) => who === 'tool')?.does.code).toBe('unit-tool-chosen')
  expect(unitPrompts('open', joint).find(({ who }) => who === 'tool')?.does.code).toBe('unit-tool-runs')
})

test('a step is the turn of whose it is, and of nobody else', () => {
  const prompts = stepPrompts(atTool('battery'), false)
  expect(prompts.filter(({ turn }) => turn)).toEqual([
    { who: 'tool', does: { code: 'do-battery' }, turn: true },
  ])
})

test('while the tool works a foot that is down for it is told to hold, never to come off', () => {
  const cab = (isFootHeld: boolean) =>
    stepPrompts(atTool('battery'), isFootHeld).find(({ who }) => who === 'cab')?.does.code
  expect([cab(true), cab(false)]).toEqual(['unit-cab-holds', 'unit-cab-rests'])
})

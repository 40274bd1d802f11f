import { describe, expect, test } from 'vitest'
import { fact } from '../../base/decision'
import { hasWords, sayMetric } from '../../words'
import { everyCall } from '../index'
import { type CallState, callActs, callMove, callStates, callStep, confirmsFact, doesFact } from '.'

const joint = fact('bleeder', { id: 'RR' })

const everyState = everyCall().flatMap((call) =>
  (Object.keys(call.states) as CallState[]).map((state) => ({ call, kind: call.kind, state })),
)

describe.each(everyState)('$kind, $state', ({ call, state }) => {
  const step = callStep(call, state)
  if (!step) throw new Error('it has just been listed')

  test('says what to do and what each act confirms, in words of its own', () => {
    expect(hasWords(doesFact(step, joint).code)).toBe(true)
    const said = step.next
      .map((move) => confirmsFact(move, joint))
      .map((each) => (hasWords(each.code) ? sayMetric(each) : ''))
    expect(said).not.toContain('')
    expect(new Set(said).size).toBe(said.length)
    for (const words of said) expect(words).not.toMatch(/please|successfully|!/i)
  })

  test('goes on by acts and to states that exist, and an act means one thing', () => {
    const acts = step.next.map(({ act }) => act)
    expect(new Set(acts).size).toBe(acts.length)
    for (const move of step.next) {
      expect(callActs).toContain(move.act)
      expect(callStates).toContain(move.to)
      expect(callMove(call, state, move.act)).toBe(move)
    }
  })

  test('whoever acts is there: nobody waits for a cab that has no part in it', () => {
    if (!call.withCab) expect(step.actor).toBe('wheel')
  })
})

test('a joint that is closed says so by name: nobody reads which one from memory', () => {
  for (const { call, state } of everyState)
    for (const move of callStep(call, state)?.next ?? [])
      if (move.act === 'close') expect(sayMetric(confirmsFact(move, joint))).toContain('bleeder RR')
})

test('every pull of a pedal method and every stroke on the bench ends in a look', () => {
  for (const { withCab, looks: asked, states } of everyCall()) {
    if (!withCab && !asked.afterStroke) continue
    const looks = Object.values(states).flatMap(({ next }) => next.filter((m) => m.lookAfter))
    expect(looks.length).toBeGreaterThan(0)
  }
})

test('every act of a call is told in words to whoever reads the trace', () => {
  expect(callActs.filter((act) => !hasWords(`did-${act}`))).toEqual([])
})

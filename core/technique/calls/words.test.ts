import { describe, expect, test } from 'vitest'
import { type CallState, callActs, callKinds, callMachines, callMove, callStates, callStep } from '.'

const everyState = callKinds.flatMap((kind) =>
  (Object.keys(callMachines[kind].states) as CallState[]).map((state) => [kind, state] as const),
)

describe.each(everyState)('%s, %s', (kind, state) => {
  const step = callStep(kind, state)
  if (!step) throw new Error('it has just been listed')

  test('says what to do and what each act confirms, in words of its own', () => {
    expect(step.does('bleeder RR').length).toBeGreaterThan(8)
    const said = step.next.map((move) => move.confirms('bleeder RR'))
    expect(new Set(said).size).toBe(said.length)
    for (const words of said) expect(words).not.toMatch(/please|successfully|!/i)
  })

  test('goes on by acts and to states that exist, and an act means one thing', () => {
    const acts = step.next.map(({ act }) => act)
    expect(new Set(acts).size).toBe(acts.length)
    for (const move of step.next) {
      expect(callActs).toContain(move.act)
      expect(callStates).toContain(move.to)
      expect(callMove(kind, state, move.act)).toBe(move)
    }
  })

  test('whoever acts is there: nobody waits for a cab that has no part in it', () => {
    if (!callMachines[kind].withCab) expect(step.actor).toBe('wheel')
  })
})

test('a joint that is closed says so by name: nobody reads which one from memory', () => {
  for (const [kind, state] of everyState)
    for (const move of callStep(kind, state)?.next ?? [])
      if (move.act === 'close') expect(move.confirms('bleeder RR')).toContain('bleeder RR')
})

test('every pull of a pedal method and every stroke on the bench ends in a look', () => {
  for (const kind of ['pedal', 'press-through', 'ports', 'bench'] as const) {
    const looks = Object.values(callMachines[kind].states).flatMap(({ next }) =>
      next.filter((m) => m.lookAfter),
    )
    expect(looks.length).toBeGreaterThan(0)
  }
})

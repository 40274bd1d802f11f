import { describe, expect, test } from 'vitest'
import { pinFault } from './pin'
import { Doors } from './tries'

const MINUTE = 60_000

describe('tries of a PIN', () => {
  test('five wrong ones lock that place for that person, for five minutes, then ten', () => {
    const doors = new Doors()
    const knock = { person: 'una', place: 'bay 1' }
    for (let i = 0; i < 5; i++) doors.knock(knock, 0)
    expect(doors.closed(knock, 4 * MINUTE)).toEqual({ why: 'wait', untilMs: 5 * MINUTE })
    expect(doors.closed(knock, 5 * MINUTE - 1)).toBeDefined()
    expect(doors.closed(knock, 5 * MINUTE)).toBeUndefined()
    expect(doors.closed({ person: 'osk', place: 'bay 1' }, 0)).toBeUndefined()
    expect(doors.closed({ person: 'una', place: 'bay 2' }, 0)).toBeUndefined()
    for (let i = 0; i < 5; i++) doors.knock(knock, 6 * MINUTE)
    expect(doors.closed(knock, 15 * MINUTE)).toEqual({ why: 'wait', untilMs: 16 * MINUTE })
  })

  test('a place that tries one person after another is locked for all of them', () => {
    const doors = new Doors()
    for (let i = 0; i < 20; i++) doors.knock({ person: `person ${i}`, place: 'stranger' }, 0)
    expect(doors.closed({ person: 'somebody new', place: 'stranger' }, 0)).toMatchObject({ why: 'wait' })
  })

  test('many places at once lock strangers out, and not where they were let in before; a colleague opens again', () => {
    const doors = new Doors()
    doors.opened({ person: 'una', place: 'bay 1' })
    for (let i = 0; i < 25; i++) doors.knock({ person: 'una', place: `address ${i}` }, 0)
    expect(doors.closed({ person: 'una', place: 'address 99' }, 0)).toEqual({ why: 'strangers' })
    expect(doors.closed({ person: 'una', place: 'bay 1' }, 0)).toBeUndefined()
    expect(doors.wrongFor('una')).toBe(25)
    doors.unlock('una')
    expect(doors.closed({ person: 'una', place: 'address 99' }, 0)).toBeUndefined()
    expect(doors.wrongFor('una')).toBe(0)
  })
})

test('a place that comes from ever new addresses does not fill the memory: what is oldest is forgotten', () => {
  const doors = new Doors()
  for (let i = 0; i < 20_000; i++) doors.knock({ person: `p${i}`, place: `a${i}` }, 0)
  expect(doors.remembered).toBeLessThan(11_000)
})

test.each(['1234', '87654321', '0000', '1212', '7787', '123', '123456789', '12a4'])('%s is no PIN', (pin) => {
  expect(pinFault(pin)).toBeDefined()
})
test.each(['4107', '2816', '1357', '90210'])('%s is one', (pin) => {
  expect(pinFault(pin)).toBeUndefined()
})

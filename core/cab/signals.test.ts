import { expect, test } from 'vitest'
import { type SignalId, signals } from './signals'

const ids = Object.keys(signals) as SignalId[]

test('every call sounds and feels unlike every other', () => {
  const cabs = ids.filter((id) => id !== 'turn' && id !== 'warn')
  for (const of of ['notes', 'vibrateMs'] as const)
    expect(new Set(cabs.map((id) => JSON.stringify(signals[id][of]))).size).toBe(cabs.length)
})

test('RELEASE alone rises, and is over before anybody waits for it', () => {
  const rises = (id: SignalId) => {
    const pitches = signals[id].notes.flatMap(({ hz }) => (hz > 0 ? hz : []))
    return pitches.length > 1 && pitches.every((hz, i) => i === 0 || hz > (pitches[i - 1] ?? 0))
  }
  expect(ids.filter(rises)).toEqual(['release'])
  for (const id of ids) expect(signals[id].notes.reduce((sum, { ms }) => sum + ms, 0)).toBeLessThan(2000)
})

import { expect, test } from 'vitest'
import { eventStream, lastSeen } from './stream.server'

test('a stream sends what it is given, ends when its browser goes, and nothing throws when more comes after', async () => {
  const browser = new AbortController()
  let later = (_event: string) => {}
  let taken = 0
  const response = eventStream(
    browser.signal,
    (send) => {
      send('view', { says: 'hold' }, 12)
      later = (event) => send(event, {})
      return () => {
        taken++
      }
    },
    () => {},
  )
  expect(response.headers.get('cache-control')).toContain('no-transform')
  const reader = response.body?.getReader()
  expect(new TextDecoder().decode((await reader?.read())?.value)).toMatch(/^retry: \d+\n\n$/)
  const first = new TextDecoder().decode((await reader?.read())?.value)
  expect(first).toBe('event: view\nid: 12\ndata: {"says":"hold"}\n\n')
  browser.abort()
  expect(() => later('view')).not.toThrow()
  expect((await reader?.read())?.done).toBe(true)
  expect(taken).toBe(1)
})

test('the last event an asker has is what its browser says after a cut, else what the address says, and never nonsense', () => {
  const asked = (address: string, header?: string) =>
    lastSeen(new Request(`http://siphon${address}`, { headers: header ? { 'Last-Event-ID': header } : {} }))
  expect(asked('/s?have=7')).toBe(7)
  expect(asked('/s?have=7', '12')).toBe(12)
  expect([asked('/s'), asked('/s?have=-1'), asked('/s?have=1e9'), asked('/s', 'x')]).toEqual([0, 0, 0, 0])
})

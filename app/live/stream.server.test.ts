import { expect, test } from 'vitest'
import { eventStream } from './stream.server'

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
  const first = new TextDecoder().decode((await reader?.read())?.value)
  expect(first).toBe('event: view\nid: 12\ndata: {"says":"hold"}\n\n')
  browser.abort()
  expect(() => later('view')).not.toThrow()
  expect((await reader?.read())?.done).toBe(true)
  expect(taken).toBe(1)
})

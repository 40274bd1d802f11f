import { expect, test } from 'vitest'
import type { JobEvent } from '~core/job/events'
import { withTimePutRight } from './clock.server'

const opened = '2026-05-04T08:00:00.000Z'
const now = Date.parse('2026-05-04T10:00:00.000Z')
const act = (at: string, waitedS?: number) =>
  ({ id: 'a'.repeat(20), type: 'plate-confirmed', at, ...(waitedS !== undefined && { waitedS }) }) as JobEvent

test('an act of a clock that is about right is left as it is', () => {
  for (const each of [act('2026-05-04T09:55:00.000Z'), act('2026-05-04T10:05:00.000Z')])
    expect(withTimePutRight(each, opened, now)).toBe(each)
})

test('one of a clock that is wrong happened when it came, less what it waited; what the screen said stands beside it', () => {
  expect(withTimePutRight(act('2031-01-01T00:00:00.000Z', 600), opened, now)).toMatchObject({
    at: '2026-05-04T09:50:00.000Z',
    screenAt: '2031-01-01T00:00:00.000Z',
  })
})

test('one kept for an hour by a clock that is right is left as it is; one from before the job was opened is not', () => {
  const kept = act('2026-05-04T09:00:00.000Z', 3600)
  expect(withTimePutRight(kept, opened, now)).toBe(kept)
  expect(withTimePutRight(act('2026-05-03T10:00:00.000Z', 86_400), opened, now)).toMatchObject({ at: opened })
})

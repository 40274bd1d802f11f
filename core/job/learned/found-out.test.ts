import { expect, test } from 'vitest'
import type { JobEvent } from '../events'
import { foundOut } from './found-out'

const stamped = (id: string, more: object) => ({ id, at: '2026-05-04T08:00:00.000Z', ...more }) as JobEvent
const seized = stamped('a-trouble', { type: 'trouble', trouble: { what: 'seized', point: 'RR' } })
const filed = stamped('its-filing', {
  type: 'filed',
  fitted: { spannersMm: { RR: 9 }, capAdapter: 'three-lug', misled: 'NEXT means stop', routineMin: 14 },
})

test('trouble at a bleeder is found out, until it is taken back; a spill tells nothing of the vehicle', () => {
  const spilled = stamped('a-spill', { type: 'trouble', trouble: { what: 'spilled', ml: 30, on: 'floor' } })
  const all = [seized, spilled].map((event) => ({ jobId: 'job', event }))
  expect(foundOut(all)).toMatchObject([{ kind: 'seized', bleeder: 'RR', jobId: 'job' }])
  const undone = stamped('an-undoing', { type: 'undone', event: 'a-trouble' })
  expect(foundOut([...all, { jobId: 'job', event: undone }])).toEqual([])
})

test('of another vehicle of its kind only what was learned at the tool holds, with where', () => {
  const kinds = (plate?: string) =>
    foundOut([seized, filed].map((event) => ({ jobId: 'job', event, plate }))).map(({ kind }) => kind)
  expect(kinds()).toEqual(['seized', 'spanner', 'adapter', 'tool-misled', 'routine-minutes'])
  expect(kinds('GNT 107')).toEqual(['tool-misled', 'routine-minutes'])
  expect(foundOut([{ jobId: 'job', event: filed, plate: 'GNT 107' }])[0]?.plate).toBe('GNT 107')
})

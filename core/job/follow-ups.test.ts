import { describe, expect, test } from 'vitest'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { hasWords } from '../words'
import { followUpsFrom, followUpsOf, searchAfter } from './follow-ups'

const car = vehicleFrom(carFile(fourCorners))
const idsOf = (work: object) =>
  followUpsFrom(
    ScriptedJob.planned(car, work, ['two-person', 'bench', 'ports'], 300).bledToTheEnd().state,
    '2026-05-04',
  ).map(({ id, dueOn }) => [id, dueOn])
const again = (id: string, good: boolean) =>
  ({ type: 'addendum', text: 'seen', followUp: { id, good } }) as const

describe('what is looked at again after it has left (common practice)', () => {
  test('the level and the nuts after a week; the pedal where a cylinder was in hand; a second flush after a conversion', () => {
    expect(idsOf({ reason: 'service' })).toEqual([
      ['level', '2026-05-11'],
      ['wheel-nuts', '2026-05-11'],
    ])
    expect(idsOf({ reason: 'service', wheelsOff: [] })).toEqual([['level', '2026-05-11']])
    expect(idsOf({ reason: 'repair', replaced: ['mc'] }).map(([id]) => id)).toContain('pedal')
    expect(idsOf({ reason: 'conversion' })).toContainEqual(['second-flush', '2026-06-01'])
  })
  test('is owed once it left as fit, until somebody has looked; the last word counts', () => {
    const job = ScriptedJob.planned(car, { reason: 'service' }, ['two-person'], 300).bledToTheEnd()
    expect(followUpsOf(job.state)).toEqual([])
    job.proved()
    job.do({ type: 'filed', outcome: 'fit', doneBy: 'Una', note: '', wasteMl: 0 })
    expect(followUpsOf(job.state).map(({ good }) => good)).toEqual([undefined, undefined])
    // What was promised stands in what was filed: no later rule moves it.
    expect(job.events.at(-1)).toMatchObject({ followUps: [{ id: 'level' }, { id: 'wheel-nuts' }] })
    job.do(again('level', true)).do(again('level', false))
    expect(followUpsOf(job.state)[0]).toMatchObject({ id: 'level', good: false })
    expect(job.refusal(again('second-flush', true))).toBe('no-such-follow-up')
  })
  test('leads to the search for what it is where it is not good', () => {
    expect(searchAfter('pedal')).toMatchObject({
      complaint: 'lost-after-standing',
      found: [{ check: 'stood', result: 'gone' }],
    })
    expect(searchAfter('wheel-nuts')).toBeUndefined()
  })
  test('has its words', () => {
    for (const id of ['level', 'pedal', 'wheel-nuts', 'second-flush'])
      expect(hasWords(`follow-up-${id}`) && hasWords(`follow-up-${id}-how`)).toBe(true)
  })
})

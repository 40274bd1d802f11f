import { describe, expect, test } from 'vitest'
import { una } from '~test/worlds/scripted-job'
import { sayMetric } from '../../words'
import { eventFact } from '../event-fact'
import { floorEventSchema, type JobEvent, jobEventSchema } from './index'

const stamp = { id: 'events-test-00000001', at: '2026-05-04T08:00:00.000Z', by: una }
const seen = { point: 'rr', call: 'open', pulls: 2 } as const
const floor = [
  { type: 'plate-confirmed' },
  { type: 'step-done', step: 'fill', ml: 150 },
  { type: 'timer-started', timer: 'press-hard' },
  { type: 'point-ready', point: 'rr' },
  { type: 'call', act: 'close', seen },
  { type: 'pull-seen', ml: 9, colour: 'amber', bubbles: 'none' },
  { type: 'flow-looked', point: 'rr', look: 'three-closed', is: 'weak', ml: 4 },
  { type: 'bottle-emptied' },
  { type: 'bottle-hung', point: 'rl' },
  { type: 'bottle-watched', point: 'rr' },
  { type: 'point-finished', point: 'rr' },
  { type: 'topped-up', reservoir: 'res', ml: 80 },
  { type: 'level-read', reservoir: 'res', ml: 300 },
  { type: 'drawn-again', reservoir: 'res' },
  { type: 'put-away', thing: 'pressure' },
  { type: 'joint-shut', point: 'rr' },
  { type: 'joint-checked', joint: 'pipe at brake', is: 'dry-at-rest' },
  { type: 'taken-off', thing: 'sensor', where: 'rear left' },
  { type: 'put-back', off: 'x' },
  { type: 'tank-read', ml: 1500 },
  { type: 'place-looked', check: 'wheels-free', place: 'brl', is: 'good' },
  { type: 'bottle-weighed', ml: 12.5, weighings: 0 },
  {
    type: 'unit-read',
    unit: 'unit',
    when: 'before',
    reading: { from: 'tool', codes: [{ code: 'C 12', says: 'Pump', is: 'present' }], restKPa: 0 },
  },
  {
    type: 'unit-fitted',
    unit: 'unit',
    fitted: { oldNumber: 'CU 1', newNumber: 'CU 1', origin: 'used', faces: 'clean' },
  },
  { type: 'container-opened', container: { spec: 'DOT 4', batch: 'K7' } },
  { type: 'trouble', trouble: { what: 'spilled', ml: 5, on: 'paint' } },
  { type: 'way-changed', technique: 'check-valve', alone: true, why: 'the helper left' },
  { type: 'parked', why: 'phone', standsOpen: [], machineOn: false, pedalPropped: false, note: '' },
  { type: 'resumed', asLeft: true, pedalCameUp: false, found: '' },
  { type: 'check-proved', check: 'level', passed: false, note: '' },
  { type: 'undone', event: 'x' },
  { type: 'bleed-again', why: 'soft' },
].map((each) => ({ ...stamp, ...each }))

test('every event of the floor reads as it was sent, and a person can read it in the trace', () => {
  for (const event of floor) {
    expect(floorEventSchema.parse(event)).toEqual(event)
    expect(sayMetric(eventFact(event as JobEvent)).length).toBeGreaterThan(5)
  }
  expect(new Set(floor.map(({ type }) => type)).size).toBe(floorEventSchema.options.length)
})

describe('refused at the edge, with the path of what is wrong:', () => {
  const of = (type: string) => floor.find((each) => each.type === type)
  test.each<[string, object | undefined, string]>([
    ['an id that could be anybody’s', { ...of('plate-confirmed'), id: 'short' }, 'id'],
    ['a time without a zone', { ...of('plate-confirmed'), at: '2026-05-04 08:00' }, 'at'],
    ['a volume below nothing', { ...of('pull-seen'), ml: -1 }, 'ml'],
    ['a volume that is no number', { ...of('pull-seen'), ml: Number.NaN }, 'ml'],
    ['more than any vehicle holds', { ...of('topped-up'), ml: 20_001 }, 'ml'],
    ['a colour nobody knows', { ...of('pull-seen'), colour: 'blue' }, 'colour'],
    ['an act no call has', { ...of('call'), act: 'skip' }, 'act'],
    ['a call that does not say what it saw', { ...of('call'), seen: undefined }, 'seen'],
    ['pulls in halves', { ...of('call'), seen: { ...seen, pulls: 1.5 } }, 'seen.pulls'],
    ['another way without a reason', { ...of('way-changed'), why: '' }, 'why'],
    ['parking without a reason', { ...of('parked'), why: '' }, 'why'],
    [
      'a trouble without its amount',
      { ...of('trouble'), trouble: { what: 'spilled', on: 'floor' } },
      'trouble.ml',
    ],
    ['a trouble nobody named', { ...of('trouble'), trouble: { what: 'magic' } }, 'trouble.what'],
    [
      'a container of no known kind',
      { ...of('container-opened'), container: { spec: 'water', batch: '' } },
      'container.spec',
    ],
    ['a note as long as a book', { ...of('check-proved'), note: 'x'.repeat(2001) }, 'note'],
    ['somebody without a name', { ...of('plate-confirmed'), by: { id: 'x', name: '' } }, 'by.name'],
  ])('%s', (_, event, path) => {
    const read = floorEventSchema.safeParse(event)
    expect(read.success).toBe(false)
    expect(read.error?.issues.map((issue) => issue.path.join('.'))).toContain(path)
  })

  test('what only the desk may do: a browser cannot file a job, move it, or take a plan for it', () => {
    for (const type of ['filed', 'vehicle-moved', 'planned', 'checked-in', 'job-opened', 'addendum'])
      expect(floorEventSchema.safeParse({ ...stamp, type }).success).toBe(false)
    expect(jobEventSchema.safeParse({ ...stamp, type: 'addendum', text: 'a cap was missing' }).success).toBe(
      true,
    )
  })
})

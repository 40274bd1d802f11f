import { expect, test } from 'vitest'
import type { OpenStream } from '~/client/live/live-stream'
import { noPhone, phoneAgrees, phoneNotYetHeard } from '~core/cab/agree'
import { JobFeed } from './job-feed'

/** A stream that says what it is told to. */
function spoken() {
  let hears: Parameters<OpenStream>[1] = {}
  const opened: string[] = []
  const opens: OpenStream = (path, hear) => {
    opened.push(path)
    hears = hear
    return { close: () => {} }
  }
  return { opens, opened, say: (name: string, data: unknown) => hears[name]?.(JSON.stringify(data)) }
}
const nothing = { have: () => 7, hear: () => {}, beat: () => {} }

test('a linked phone that nothing was heard of agrees with no turn; heard, it agrees by what it shows', () => {
  const wire = spoken()
  const feed = new JobFeed('job', nothing, phoneNotYetHeard, wire.opens)
  feed.begin()
  expect([0, 1].map((turn) => phoneAgrees(feed.snapshot(), turn))).toEqual([false, false])
  wire.say('phone', { link: 'linked', shows: 1 })
  expect([1, 2].map((turn) => phoneAgrees(feed.snapshot(), turn))).toEqual([true, false])
  wire.say('phone', noPhone)
  expect(phoneAgrees(feed.snapshot(), 2)).toBe(true)
  feed.end()
})

test('a stream that never comes leaves a linked phone lost, and is opened anew from where the page is', async () => {
  const wire = spoken()
  const feed = new JobFeed('job', nothing, phoneNotYetHeard, wire.opens, {
    lateMs: 10,
    lostMs: 20,
    lookMs: 5,
  })
  feed.begin()
  await expect.poll(() => feed.snapshot().link).toBe('lost')
  await expect.poll(() => wire.opened.length).toBeGreaterThan(1)
  expect(new Set(wire.opened)).toEqual(new Set(['/jobs/job/stream?have=7']))
  feed.end()
})

test('what is recorded and each beat go on to the job as they come', () => {
  const wire = spoken()
  const heard: unknown[] = []
  const job = {
    ...nothing,
    hear: (place: number, event: unknown) => heard.push([place, event]),
    beat: (told: number, build: string) => heard.push([told, build]),
  }
  const feed = new JobFeed('job', job, noPhone, wire.opens)
  feed.begin()
  wire.say('beat', { told: 7, build: 'b' })
  wire.say('recorded', { place: 8, event: { id: 'x' } })
  expect(heard).toEqual([
    [7, 'b'],
    [8, { id: 'x' }],
  ])
  feed.end()
})

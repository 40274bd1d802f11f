import { expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carefulAct } from './careful'
import { inOne } from './in-one'
import { pourBefore } from './levels'

const van = demoVehicle('post-van-lhd')
const exchange = (method: string) => ScriptedJob.planned(van, { reason: 'service' }, [method], 380)

/** The whole bleed, each pair of acts in one go where it may be: how often somebody confirmed something. */
function confirmed(job: ScriptedJob, asPairs: boolean, hoseClear = false): { taps: number; pairs: number } {
  const counted = { taps: 0, pairs: 0 }
  for (let next = carefulAct(job.state); next; next = carefulAct(job.state)) {
    const both = asPairs ? inOne({ ...job.state, run: job.run })?.acts : undefined
    // What a careful technician does next may be something else: a step, a look, a fill.
    const pair = both?.[0]?.type === next.type ? both : undefined
    if (hoseClear && next.type === 'pull-seen') next.bubbles = 'none'
    for (const act of pair ?? [next]) job.do(act)
    counted.taps++
    if (pair) counted.pairs++
  }
  return counted
}

test('by vacuum each of four wheels takes two taps less: the hose on and drawn, let off and ended', () => {
  const [one, other] = [exchange('vacuum'), exchange('vacuum')]
  const single = confirmed(one, false)
  const paired = confirmed(other, true)
  console.log(`by vacuum: ${single.taps} confirmed one by one, ${paired.taps} in one go where it may be`)
  expect(paired.pairs).toBe(8)
  expect(single.taps - paired.taps).toBe(8)
  // The same was done and recorded.
  expect(other.events.map(({ type }) => type)).toEqual(one.events.map(({ type }) => type))
})

test('a whole exchange alone by vacuum: at most 45 taps, whether the first looks show bubbles or not', () => {
  expect(confirmed(exchange('vacuum'), true, true).taps).toBeLessThanOrEqual(45)
  expect(confirmed(exchange('vacuum'), true).taps).toBeLessThanOrEqual(45)
})

test('a reservoir that would be at MIN in a wheel’s midst is filled before it is begun, where that saves a fill there', () => {
  const job = exchange('vacuum').until(({ run }) => run.call === 'closed')
  job.until(({ run }) => run.call === 'rest' && run.stages[run.stageIndex]?.at.RR?.finished === true)
  expect(pourBefore(job.state)?.code).toBe('top-up-before')
  const [reservoir = ''] = Object.keys(job.run.levelMl)
  job.do({ type: 'topped-up', reservoir, ml: 420 - (job.run.levelMl[reservoir] ?? 0) })
  expect(pourBefore(job.state)).toBeUndefined()
})

test('with a foot in the cab nothing is done in one: who presses is somebody else', () => {
  expect(confirmed(exchange('two-person'), true).pairs).toBe(0)
})

test('what still wants fluid is let off and goes on; with a look owed nothing ends', () => {
  const job = exchange('vacuum').until(({ run }) => run.call === 'closed')
  expect(inOne({ ...job.state, run: job.run })?.acts.map(({ type }) => type)).toEqual([
    'call',
    'point-finished',
  ])
  expect(inOne({ ...job.state, run: { ...job.run, lookDue: true } })).toBeUndefined()
  const early = exchange('vacuum').until(({ run }) => run.call === 'open')
  early.call('close')
  expect(inOne({ ...early.state, run: early.run })).toBeUndefined()
})

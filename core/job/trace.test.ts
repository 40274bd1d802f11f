import { expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { replayStored } from './apply'
import { type Chapter, chaptersOf } from './trace'

const read = ({ events }: ScriptedJob): Chapter[] =>
  chaptersOf([...replayStored(events)].map((step) => ({ ...step, atServer: step.event.at })))
const exchange = () => ScriptedJob.planned(demoVehicle('charabanc'), { reason: 'service' }, ['two-person'])

test('a job reads as desk, stages, places in their order, and proof; each act is in one chapter, numbered as in the log', () => {
  const job = exchange().bledToTheEnd().proved()
  const chapters = read(job)
  expect(chapters[0]?.at).toBe('desk')
  expect(chapters.at(-1)?.at).toBe('proof')
  const places = chapters.flatMap((each) => (each.at === 'place' && each.kind === 'bleed' ? each.point : []))
  expect(places).toEqual(job.run.stages.find(({ stage }) => stage.kind === 'bleed')?.points)
  const numbers = chapters.flatMap(({ entries }) => entries.map(({ no }) => no))
  expect(numbers).toEqual(job.events.map((_, i) => i + 1))
  for (const each of chapters) if (each.at === 'place') expect(each.finished, each.point).toBe(true)
})

test('what went wrong, and what was taken back, is told apart and stays where it happened', () => {
  const job = exchange().until(({ run }) => run.call === 'open')
  job.call('foot-slipped').trouble({ what: 'spilled', ml: 30, on: 'floor' }).undo()
  const chapter = read(job).at(-1)
  expect(chapter?.at).toBe('place')
  expect(chapter?.entries.slice(-3).map(({ wentWrong, undone }) => ({ wentWrong, undone }))).toEqual([
    { wentWrong: true, undone: false },
    { wentWrong: true, undone: true },
    { wentWrong: true, undone: false },
  ])
})

test('a check that failed went wrong, one that passed did not', () => {
  const job = exchange().bledToTheEnd().proved('held-light')
  job.do({ type: 'check-proved', check: 'joints-dry', passed: false, note: 'wet at RL' })
  const proof = read(job).at(-1)
  expect(proof?.entries.filter(({ wentWrong }) => wentWrong).map(({ event }) => event.type)).toEqual([
    'check-proved',
  ])
})

import { describe, expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { randomAct } from '~test/worlds/random-acts'
import { type Act, ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { Chance } from '../base/random'
import { callStep } from '../technique/calls'
import { examples } from '../vehicle/examples'
import { sayMetric } from '../words'
import { applyEvent, replay } from './apply'
import { carefulAct } from './careful'
import type { JobEvent } from './events'
import { callOf, currentStage, openPoint, openPoints } from './points'
import { bleedDone } from './selectors'
import type { JobState, RunState } from './state'

const SEQUENCES = 100_000
const LONGEST = 12

/** Jobs at every kind of place, for random events to begin from. */
function beginnings(): JobState[] {
  const small = vehicleFrom(carFile(fourCorners.slice(2)))
  const van = demoVehicle('post-van-lhd')
  const postVan = vehicleFrom(examples['electric-post-van']?.file)
  const jobs = [
    ...['two-person', 'solo', 'pressure', 'vacuum', 'gravity'].map((method) =>
      ScriptedJob.planned(small, { reason: 'service' }, [method], 300),
    ),
    ScriptedJob.planned(
      small,
      { reason: 'service', ways: [{ technique: 'press-through', why: 'slow' }] },
      ['two-person'],
      300,
    ),
    ScriptedJob.planned(postVan, { reason: 'repair', replaced: ['unit'] }, ['pressure', 'control-unit']),
    ScriptedJob.planned(small, { reason: 'repair', replaced: ['mc'] }, ['two-person', 'bench']),
    ScriptedJob.planned(small, { reason: 'repair', replaced: ['mc'] }, ['two-person', 'ports']),
    ScriptedJob.planned(van, { reason: 'repair', replaced: ['unit'] }, ['two-person', 'control-unit']),
  ]
  return jobs.flatMap((job) => {
    const states = [job.state]
    job.until(({ state, events }) => {
      if (events.length % 3 === 0) states.push(state)
      return bleedDone(job.state)
    })
    return [...states, job.state]
  })
}

const after = (state: JobState, events: readonly JobEvent[]): JobState =>
  events.reduce((at, event) => {
    const applied = applyEvent(at, event)
    return applied.ok ? applied.state : at
  }, state)

/** Numbers of a run that cannot be, with where they stand. What the event left as it was has been looked at before. */
function badNumbers(value: unknown, before: unknown, path = ''): string[] {
  if (typeof value === 'number') {
    // Fluid that was found, where nobody wrote it down, is a gap below nothing.
    const mayBeBelow = path.endsWith('.unaccountedMl')
    return Number.isFinite(value) && (value >= 0 || mayBeBelow) ? [] : [`${path} is ${value}`]
  }
  if (typeof value !== 'object' || value === null || value === before) return []
  const bad: string[] = []
  const was = (before ?? {}) as Record<string, unknown>
  for (const [key, each] of Object.entries(value))
    if (key !== 'stage' && key !== 'steps') bad.push(...badNumbers(each, was[key], `${path}.${key}`))
  return bad
}

/** The call as its machine allows it, at a point of the stage under way, and the cab not told to let go of an open joint. */
function callFault(run: RunState): string | undefined {
  const stageRun = currentStage(run)
  if (!stageRun) return 'no stage'
  if (run.call !== 'rest' && (run.callAt === undefined || !stageRun.points.includes(run.callAt)))
    return `a call at ${run.callAt} is not in the stage`
  const hung = (run.hung ?? []).map(({ point }) => point)
  const places = new Set([run.callAt, ...hung])
  // One that was closed while others run is looked at before the next is in hand.
  const inHand = ['open', 'slipped'].includes(run.call) || run.lookDue
  if (hung.length > 0 && (places.size !== hung.length + 1 || !inHand))
    return `bottles at ${hung} with the call ${run.call} at ${run.callAt}`
  if (hung.some((point) => !stageRun.points.includes(point) || stageRun.at[point]?.finished))
    return `a bottle runs where there is no work: ${hung}`
  if (run.call === 'rest') return undefined
  const step = callStep(callOf(stageRun.stage), run.call)
  if (!step) return `${run.call} is not a state of this call`
  if (openPoint(run) !== undefined && (step.cab === 'release' || !step.open)) return 'released while open'
  return undefined
}

/** An open joint is left by closing it, by taking the opening back, or never. */
const mayClose = (event: JobEvent): boolean =>
  (event.type === 'call' && event.act === 'close') || event.type === 'undone'

/** Whether two states are the same but for the count of events and what remembers them. */
function same(a: JobState, b: JobState, besides: string[] = []): boolean {
  const apart = new Set(['undoable', 'length', 'lastAt', 'people', ...besides])
  const keys = [...new Set([...Object.keys(a), ...Object.keys(b)])].filter((key) => !apart.has(key))
  return keys.every((key) => {
    const [one, other] = [a[key as keyof JobState], b[key as keyof JobState]]
    return one === other || JSON.stringify(one) === JSON.stringify(other)
  })
}

/** From wherever chance left it, a careful technician gets the job to its proof: no state is a dead end. */
function toTheEnd(from: JobState, where: string): void {
  let state = from
  const go = (act: Act) => {
    const event = { ...act, id: 'a-careful-act-after-all', at: '2026-05-04T08:00:00.000Z' } as JobEvent
    const applied = applyEvent(state, event)
    if (!applied.ok) throw new Error(`${where}: stuck at ${act.type}: ${applied.refusal.code}`)
    state = applied.state
  }
  if (state.parked) go({ type: 'resumed', asLeft: true, pedalCameUp: false, found: '' })
  for (let n = 0, act = carefulAct(state); act; act = carefulAct(state)) {
    if (n++ > 3000) throw new Error(`${where}: goes round in circles`)
    go(act)
  }
  if (state.run && !bleedDone(state)) throw new Error(`${where}: never reached the proof`)
}

describe(`${SEQUENCES} random sequences of up to ${LONGEST} events, from every kind of place in a job`, () => {
  test('nothing is ever below zero or not a number, no open joint is let go of, replay and undo agree', () => {
    const starts = beginnings()
    const seen = { applied: 0, refused: 0, undone: 0 }
    for (let i = 0; i < SEQUENCES; i++) {
      const chance = new Chance(i)
      const start = chance.of(starts)
      const events: JobEvent[] = []
      let state = start
      for (let n = 1 + chance.below(LONGEST); n > 0; n--) {
        const id = `random-${i}-event-${n}`.padEnd(20, '-')
        const event = { ...randomAct(state, chance), id, at: '2026-05-04T08:00:00.000Z' } as JobEvent
        events.push(event)
        const applied = applyEvent(state, event)
        if (!applied.ok) {
          seen.refused++
          if (sayMetric(applied.refusal).length < 10) throw new Error(`${applied.refusal.code} says nothing`)
          continue
        }
        seen.applied++
        const next = applied.state
        const where = `seed ${i}, ${event.type} ${JSON.stringify(event)}`
        if (next.run) {
          const bad = [...badNumbers(next.run, state.run), callFault(next.run)].filter(
            (each) => each !== undefined,
          )
          if (bad.length > 0) throw new Error(`${where}: ${bad.join(', ')}`)
          const stillOpen = new Set(openPoints(next.run))
          const shut = state.run && openPoints(state.run).filter((point) => !stillOpen.has(point))
          if (shut && shut.length > (mayClose(event) ? 1 : 0))
            throw new Error(`${where}: ${shut} was recorded open, and nobody closed it`)
        } else if (state.run && openPoints(state.run).length > 0)
          throw new Error(`${where}: the run went with ${openPoints(state.run)} open`)
        if (next.undoable.at(-1)?.eventId === id && chance.yes(0.3)) {
          const undo = { type: 'undone', event: id, id: `${id}-undo`, at: event.at } as const
          const back = applyEvent(next, undo)
          // The turns of the call count on: an undo is a turn too, so that nothing sent before it fits after it.
          if (!back.ok || !same(back.state, state, ['callTurn']))
            throw new Error(`${where}: undo gave another state`)
          seen.undone++
        }
        state = next
      }
      if (i % 50 === 0) toTheEnd(state, `seed ${i}`)
      if (i % 5 === 0 && !same(after(start, JSON.parse(JSON.stringify(events))), state))
        throw new Error(`seed ${i}: the same events gave another state`)
    }
    console.log(`${seen.applied} events applied, ${seen.refused} refused, ${seen.undone} taken back at once`)
    // The mix is worth nothing if almost all of it is refused.
    expect(seen.applied).toBeGreaterThan(seen.refused / 2)
  })
})

test('the states a random sequence begins from are those their own events give', () => {
  const job = ScriptedJob.planned(demoVehicle('post-van-lhd'), { reason: 'service' }, [
    'pressure',
  ]).bledToTheEnd()
  expect(replay(JSON.parse(JSON.stringify(job.events)))).toEqual(job.state)
})

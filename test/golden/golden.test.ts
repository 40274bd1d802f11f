import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { applyEvent, replayStored } from '~core/job/apply'
import { carefulAct } from '~core/job/careful'
import { jobEventSchema } from '~core/job/events'
import type { JobState } from '~core/job/state'
import { factsOf } from './facts'

const folder = new URL('./v1/', import.meta.url)
const logs = readdirSync(folder).map((name) => ({
  name,
  ...JSON.parse(readFileSync(new URL(name, folder), 'utf8')),
}))

test('enough of them, and every type of event in them', () => {
  expect(logs.length).toBeGreaterThanOrEqual(30)
  const types = new Set(logs.flatMap(({ events }) => events.map(({ type }: { type: string }) => type)))
  expect([...types].sort()).toEqual(jobEventSchema.options.map(({ shape }) => shape.type.value).sort())
})

describe.each(logs)('written by an earlier version: $name', ({ events, facts }) => {
  const opened = () => [...replayStored(events)].at(-1)?.after as JobState

  test('opens, and says the same of the job', () => {
    expect(JSON.parse(JSON.stringify(factsOf(opened())))).toEqual(facts)
  })

  test('goes on to its proof', () => {
    let state = opened()
    const go = (act: object) => {
      const event = { ...act, id: 'an-act-of-today-after-all', at: '2026-11-04T08:00:00.000Z' }
      const applied = applyEvent(state, jobEventSchema.parse(event))
      if (!applied.ok) throw new Error(applied.refusal.code)
      state = applied.state
    }
    if (state.parked && !state.filed) go({ type: 'resumed', asLeft: true, pedalCameUp: false, found: '' })
    for (let n = 0, act = carefulAct(state); act && n < 3000; act = carefulAct(state), n++) go(act)
    expect(carefulAct(state)).toBeUndefined()
  })
})

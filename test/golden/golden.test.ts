import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { fact } from '~core/base/decision'
import { applyEvent, replayStored } from '~core/job/apply'
import { carefulAct } from '~core/job/careful'
import { eventKinds, jobEventSchema } from '~core/job/events'
import { readRecord, recordOf } from '~core/job/record'
import type { JobState } from '~core/job/state'
import { factsOf } from './facts'

const logs = ['v1', 'v2', 'v3'].flatMap((version) => {
  const folder = new URL(`./${version}/`, import.meta.url)
  return readdirSync(folder).map((file) => ({
    name: `${version} ${file}`,
    ...JSON.parse(readFileSync(new URL(file, folder), 'utf8')),
  }))
})

test('enough of them, and every type of event in them', () => {
  expect(logs.length).toBeGreaterThanOrEqual(30)
  const types = new Set(logs.flatMap(({ events }) => events.map(({ type }: { type: string }) => type)))
  const today = jobEventSchema.options.map(({ shape }) => shape.type.value)
  expect([...types].sort()).toEqual(today.sort())
})

test('no rule of today can keep an old log from opening: every act could be refused now, and all of it still stands', () => {
  const kinds = eventKinds()
  const rules = kinds.map(({ refuse }) => refuse)
  try {
    for (const kind of kinds) kind.refuse = () => fact('refused-by-a-later-rule')
    for (const { events, facts } of logs) {
      const state = [...replayStored(events)].at(-1)?.after as JobState
      expect(JSON.parse(JSON.stringify(factsOf(state)))).toEqual(facts)
    }
    // The same mutation does keep a new act out.
    expect(applyEvent(replayStored(logs[0]?.events).next().value?.after, logs[0]?.events[1]).ok).toBe(false)
  } finally {
    for (const [i, kind] of kinds.entries()) kind.refuse = rules[i] as typeof kind.refuse
  }
})

describe.each(logs.filter(({ record }) => record))(
  'a record frozen by an earlier version: $name',
  ({ record, facts }) => {
    test('reads, and says the same of the job', () => {
      expect(JSON.parse(JSON.stringify(factsOf(readRecord(record))))).toEqual(facts)
    })

    test('is read by itself once it is written as records are today', () => {
      const again = JSON.parse(JSON.stringify(recordOf(readRecord(record))))
      expect(JSON.parse(JSON.stringify(readRecord(again)))).toEqual(
        JSON.parse(JSON.stringify(readRecord(record))),
      )
    })
  },
)

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

import { request as api } from '@playwright/test'
import { newId } from '~/lib/ids'
import { Chance } from '~core/base/random'
import { applyEvent, replay } from '~core/job/apply'
import { carefulAct } from '~core/job/careful'
import { type JobEvent, jobEventSchema } from '~core/job/events'
import type { JobState } from '~core/job/state'
import { fromWire } from '~core/job/wire'
import { expect, test } from './http'
import { DemoServer } from './server'
import { signIn } from './sign-in'

const KILLS = 50
/** Each life ends after some events and then at any moment of the next: the machine's speed does not matter. */
const MOST_EVENTS = 6
const LONGEST_MS = 40

// Fifty starts: a laden machine takes eight seconds for each.
test.setTimeout(600_000)

test(`the server killed at ${KILLS} random moments under a stream of events: nothing acknowledged is lost, nothing is there twice, the job goes on`, async () => {
  const chance = new Chance(3)
  const server = await DemoServer.start()
  const client = await api.newContext({ baseURL: server.url, extraHTTPHeaders: { Origin: server.url } })
  await signIn(client, server.url)
  const html = await (await client.get('/')).text()
  const job = /href="(\/jobs\/\w+)"[^>]*>(?:(?!<\/a>).)*GNT 107/s.exec(html)?.[1] ?? ''
  const current = async (): Promise<JobState> =>
    fromWire((await (await client.get(`${job}/events`)).json()).state)
  const acknowledged: string[] = []
  let cutOff = 0
  let heard = () => {}

  /** What a screen does: one event after another, each sent until it is answered for, under its one id. */
  async function stream(
    from: JobState,
    alive: () => boolean,
    unanswered?: JobEvent,
  ): Promise<JobEvent | undefined> {
    let state = from
    let waiting = unanswered
    try {
      while (alive()) {
        const act = carefulAct(state) ?? { type: 'bleed-again', why: 'still soft' }
        waiting ??= Object.assign({}, act, { id: newId(), at: new Date().toISOString() }) as JobEvent
        const answer = await client.post(`${job}/events`, { data: waiting })
        if (!answer.ok()) throw new Error(`${answer.status()}: ${await answer.text()}`)
        acknowledged.push(waiting.id)
        heard()
        const applied = applyEvent(state, waiting)
        // One that was recorded before the kill, unheard, is in the state already.
        if (applied.ok && applied.state.length === (await answer.json()).length) state = applied.state
        else state = await current()
        waiting = undefined
      }
    } catch (error) {
      if (alive()) throw error
      cutOff++
    }
    return waiting
  }

  let waiting: JobEvent | undefined
  for (let kill = 0; kill < KILLS; kill++) {
    // A server that has just started takes its time over the first page; the kills are to fall among the events.
    const from = await current()
    let alive = true
    const acknowledgedMore = (wanted: number) => {
      const enough = acknowledged.length + wanted
      return new Promise<void>((done) => {
        heard = () => acknowledged.length >= enough && done()
        heard()
      })
    }
    const streaming = stream(from, () => alive, waiting)
    await Promise.race([acknowledgedMore(chance.below(MOST_EVENTS)), streaming])
    await new Promise((now) => setTimeout(now, chance.below(LONGEST_MS)))
    alive = false
    await server.stop('SIGKILL')
    waiting = await streaming
    await server.run()
  }
  const rows = await traceOf(client, job)
  const ids = rows.map(({ id }) => id)
  console.log(
    `${acknowledged.length} events acknowledged over ${KILLS} kills, ${cutOff} of them in mid-request`,
  )
  expect(acknowledged.length).toBeGreaterThan(KILLS)
  expect(acknowledged.filter((id) => !ids.includes(id))).toEqual([])
  expect(new Set(ids).size).toBe(ids.length)
  expect(JSON.parse(JSON.stringify(replay(rows)))).toEqual(JSON.parse(JSON.stringify(await current())))
  const sofar = acknowledged.length
  await stream(await current(), () => acknowledged.length < sofar + 5, waiting)
  // The first of the five may have been recorded before the last kill, unheard: so ids are asked for, not a count.
  const later = (await traceOf(client, job)).map(({ id }) => id)
  expect(acknowledged.slice(sofar)).toHaveLength(5)
  expect(acknowledged.slice(sofar).filter((id) => !later.includes(id))).toEqual([])
  await client.dispose()
  await server.end()
})

/** Every event as it is stored, in order. */
async function traceOf(client: Awaited<ReturnType<typeof api.newContext>>, job: string): Promise<JobEvent[]> {
  const { events } = await (await client.get(`${job}/log.json`)).json()
  return events.map((event: unknown) => jobEventSchema.parse(event))
}

import { Chance } from '~core/base/random'
import { cabView } from '~core/cab/view'
import { applyEvent } from '~core/job/apply'
import type { JobEvent } from '~core/job/events'
import { openPoint } from '~core/job/points'
import type { JobState } from '~core/job/state'
import { harbourTug } from '~test/worlds/harbour-tug'
import { FaultyProxy } from './faulty-proxy'
import { expect, test } from './http'
import { goOn, hoseOn, linkedPhone, planned, stateOf } from './job'
import { Cab, Wheel } from './two-people'

const PAIRS = 6
const CALLS = 100

type Logged = JobEvent & { atServer: string }

test('two people over a wire that delays, drops and cuts: one state, every act once, and no RELEASE while a bleeder is open', async ({
  request,
  server,
  playwright,
}) => {
  // As long as it takes: how many calls were made is what counts, and a laden machine makes fewer in a minute.
  test.setTimeout(600_000)
  const bayWire = await FaultyProxy.to(server.port, 82)
  // At the far end of the shop the wireless is worse.
  const phoneWire = await FaultyProxy.to(server.port, 83)
  const chance = new Chance(84)
  const asker = { client: request, url: server.url }
  const cookies = (all: { name: string; value: string }[]) =>
    all.map(({ name, value }) => `${name}=${value}`).join('; ')
  const pairs: { job: string; wheel: Wheel; cab: Cab }[] = []
  for (let i = 0; i < PAIRS; i++) {
    // Where the bleeder is opened before the pedal goes down, a phone that is behind does the most harm.
    const way = i % 3 === 0 ? 'pump-and-hold' : 'press-through'
    const job = await planned(asker, harbourTug, `TWO ${i + 1}`, way)
    await goOn(asker, job, hoseOn)
    const phone = await playwright.request.newContext({ baseURL: server.url })
    await linkedPhone(asker, job, phone)
    const state = await stateOf(request, job)
    const mine = { url: bayWire.url, cookie: cookies((await request.storageState()).cookies) }
    const theirs = { url: phoneWire.url, cookie: cookies((await phone.storageState()).cookies) }
    const wheel = new Wheel(mine, job.replace('/jobs/', ''), state)
    pairs.push({ job, wheel, cab: new Cab(theirs, cabView(state)) })
    await phone.dispose()
  }

  bayWire.faults = { delayMs: 10, cutShare: 0.005, dropShare: 0.001 }
  phoneWire.faults = { delayMs: 150, cutShare: 0.015, dropShare: 0.005 }
  const closings = () => pairs.reduce((sum, { wheel }) => sum + wheel.closings, 0)
  while (closings() < CALLS) {
    const { wheel, cab } = chance.of(pairs)
    // Now and then somebody is in haste: what was pulled is written down and the next one opened at once.
    if (chance.yes(0.5)) for (let i = chance.below(4); i >= 0; i--) wheel.goOn(chance)
    else cab.goOn(chance)
    await new Promise((resume) => setTimeout(resume, 2))
  }
  bayWire.heal()
  phoneWire.heal()

  let [opened, releases] = [0, 0]
  for (const { job, wheel, cab } of pairs) {
    await expect.poll(() => wheel.client.snapshot().waiting, { timeout: 20_000 }).toBe(0)
    await expect.poll(() => cab.client.snapshot().sending, { timeout: 20_000 }).toBe(false)
    const { events } = await (await request.get(`${server.url}${job}/log.json`)).json()
    const recorded: Logged[] = events
    expect(new Set(recorded.map(({ id }) => id)).size).toBe(recorded.length)
    let state: JobState | undefined
    let openFrom: number | undefined
    const openTimes: { from: number; to: number }[] = []
    for (const { atServer, ...event } of recorded) {
      const applied = applyEvent(state, event as JobEvent)
      if (!applied.ok) throw new Error(`${event.id} does not follow: ${applied.refusal.text}`)
      state = applied.state
      const isOpen = state.run !== undefined && openPoint(state.run) !== undefined
      const atMs = Date.parse(atServer) - server.aheadMs
      if (isOpen) openFrom ??= atMs
      else if (openFrom !== undefined) {
        openTimes.push({ from: openFrom, to: atMs })
        openFrom = undefined
      }
    }
    // The ideal run of the same events, the server's, the bay's and the phone's are one.
    const server_ = await stateOf(request, `${server.url}${job}`)
    expect(JSON.parse(JSON.stringify(state))).toEqual(server_)
    await expect.poll(() => JSON.parse(JSON.stringify(wheel.client.snapshot().state))).toEqual(server_)
    await expect
      .poll(() => cab.client.snapshot().view, { timeout: 20_000 })
      .toEqual(JSON.parse(JSON.stringify(cabView(server_))))
    cab.shown.forEach(({ says, at }, i) => {
      if (says !== 'release') return
      releases++
      const to = cab.shown[i + 1]?.at ?? Number.POSITIVE_INFINITY
      // Clocks are read in whole milliseconds.
      expect(openTimes.filter((open) => at + 1 < open.to && open.from + 1 < to)).toEqual([])
    })
    opened += openTimes.length
    wheel.end()
    cab.end()
  }
  bayWire.end()
  phoneWire.end()
  console.log(
    `${opened} openings, ${releases} releases, ${bayWire.cuts + phoneWire.cuts} cuts, ${bayWire.drops + phoneWire.drops} wires gone silent`,
  )
  expect(opened).toBeGreaterThan(100)
  expect(releases).toBeGreaterThan(40)
  expect(phoneWire.cuts).toBeGreaterThan(50)
})

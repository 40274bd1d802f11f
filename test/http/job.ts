import { type APIRequestContext, expect } from '@playwright/test'
import { newId } from '~/lib/ids'
import { applyEvent } from '~core/job/apply'
import { carefulAct } from '~core/job/careful'
import type { FloorEvent, JobEvent, Unstamped } from '~core/job/events'
import type { JobState } from '~core/job/state'
import { fromWire } from '~core/job/wire'
import type { TechniqueId } from '~core/technique/technique'
import { DemoServer } from './server'

/** Whoever asks, and the address of the server that is asked. */
export type Asker = { client: APIRequestContext; url: string }

type Filled = Pick<NonNullable<Parameters<APIRequestContext['post']>[1]>, 'form' | 'multipart'>

/** Post a form as its page would. @returns where it sends its reader; one that is not taken fails here, with what was said */
export async function post(
  { client, url }: Asker,
  path: string,
  filled: Filled = { form: {} },
): Promise<string> {
  const answer = await client.post(`${url}${path}`, { ...filled, headers: { Origin: url }, maxRedirects: 0 })
  expect(answer.status(), await answer.text()).toBe(302)
  return answer.headers().location ?? ''
}

/** The open job of the demo on a vehicle, as the yard links it. */
export async function jobOf(client: APIRequestContext, plate = 'GNT 107'): Promise<string> {
  const html = await (await client.get('/')).text()
  return new RegExp(`href="(/jobs/\\w+)"[^>]*>(?:(?!</a>).)*${plate}`, 's').exec(html)?.[1] ?? ''
}

/** Import a vehicle file and open a job on it. */
export async function openedOn(asker: Asker, file: object, plate = 'EDG 2'): Promise<string> {
  const buffer = Buffer.from(JSON.stringify(file))
  const vehicle = await post(asker, '/vehicles', {
    multipart: { plate, file: { name: 'vehicle.json', mimeType: 'application/json', buffer } },
  })
  return (await post(asker, vehicle)).replace(/\/check-in$/, '')
}

/** Check in for a routine exchange, and test. */
export async function checkedInAndTested(asker: Asker, job: string): Promise<void> {
  await post(asker, `${job}/check-in`, {
    form: { eventId: newId(), reason: 'service', colour: 'brown', fluidFound: 'as-specified' },
  })
  await post(asker, `${job}/test`, {
    form: { eventId: newId(), tester: 'percent-meter', value: '3,2', at: 'reservoir' },
  })
}

/** Take the plan by this way. @returns where that leads */
export const takePlan = (asker: Asker, job: string, way: TechniqueId): Promise<string> =>
  post(asker, `${job}/plan?way=${way}`, {
    form: { eventId: newId(), orderWhy: '', wayWhy: 'for this journey' },
  })

/** A job on a vehicle, brought to the plate that is to be confirmed. */
export async function planned(asker: Asker, file: object, plate: string, way: TechniqueId): Promise<string> {
  const job = await openedOn(asker, file, plate)
  await checkedInAndTested(asker, job)
  await takePlan(asker, job, way)
  return job
}

/** Link a phone to a job's cab, as a phone does it that was shown the code. */
export async function linkedPhone(asker: Asker, job: string, phone: APIRequestContext): Promise<void> {
  const bay = await post(asker, `${job}/cab`)
  // What a page is given is a list of values, and only a code looks like one.
  const given = await (await asker.client.get(`${asker.url}${bay}.data`)).text()
  const code = /"([2-9A-Z]{6})"/.exec(given)?.[1] ?? ''
  await post({ client: phone, url: asker.url }, '/cab', { form: { code } })
}

/** @param job its address, whole where whoever asks has another server in mind */
export const stateOf = async (client: APIRequestContext, job: string): Promise<JobState> =>
  readState(await (await client.get(`${job}/events`)).json())

const readState = (answer: { state: Parameters<typeof fromWire>[0] }): JobState =>
  JSON.parse(JSON.stringify(fromWire(answer.state)))

/** An act as a screen stamps it whose clock goes with the server's. */
const stamped = (url: string, act: object): JobEvent => {
  const ahead = DemoServer.behind(url)?.aheadMs ?? 0
  return { id: newId(), at: new Date(Date.now() + ahead).toISOString(), ...act } as JobEvent
}

/**
 * A client that sends events as a screen would: by the platform's own requests, since the runner keeps each of its own as a
 * step and looks through all of them at the next.
 */
async function sender({ client, url }: Asker, job: string) {
  const { cookies } = await client.storageState()
  const cookie = cookies.map(({ name, value }) => `${name}=${value}`).join('; ')
  const events = new URL(`${job}/events`, url).href
  const ask = async (init: RequestInit & { headers: Record<string, string> }) => {
    const answer = await fetch(events, {
      ...init,
      redirect: 'manual',
      headers: { ...init.headers, Cookie: cookie },
    })
    if (!answer.ok) throw new Error(`${events} answered ${answer.status}: ${await answer.text()}`)
    return answer.json()
  }
  const send = (body: unknown) =>
    ask({
      method: 'POST',
      headers: { Origin: url, 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    })
  return {
    state: async (): Promise<JobState> => readState(await ask({ headers: {} })),
    async record(act: object) {
      const event = stamped(url, act)
      const { length } = await send(event)
      return { event, length: length as number }
    },
    /** @returns how many the job has now */
    async recordAll(acts: readonly JobEvent[]): Promise<number> {
      const { taken, length } = await send(acts)
      if (taken === acts.length) return length
      // Sent by itself, one that is not taken is told why, and fails here.
      const [stopped, ...left] = acts.slice(taken)
      const alone = await send(stopped)
      return left.length > 0 ? this.recordAll(left) : alone.length
    },
  }
}

/** Send one event as a screen would, and have it recorded. @returns it, and how many the job has now */
export const record = async (asker: Asker, job: string, act: object) => (await sender(asker, job)).record(act)

/** Whoever works at a vehicle beside the job: what is written down, and what is done to the vehicle then. */
export type Hands = {
  writes: (act: Unstamped<FloorEvent>, state: JobState) => Promise<Unstamped<FloorEvent>>
  did: (event: FloorEvent, after: JobState) => Promise<void>
}

/** So many acts gather before they are sent, as from a screen that had no connection. */
const GATHERED = 50

/** Go on as a careful technician would until something is so, or nothing is left to do. */
export async function goOn(
  asker: Asker,
  job: string,
  reached: (state: JobState) => boolean = () => false,
  hands?: Hands,
): Promise<void> {
  const many = await sender(asker, job)
  let state = await many.state()
  let gathered: JobEvent[] = []
  const send = async () => {
    const length = gathered.length > 0 ? await many.recordAll(gathered) : state.length
    gathered = []
    // What is reckoned here is what the server has, unless somebody else acted too.
    if (length !== state.length) state = await many.state()
  }
  const act = async (made: object) => {
    const event = stamped(asker.url, made)
    const applied = applyEvent(state, event)
    if (applied.ok) state = applied.state
    gathered.push(event)
    if (!applied.ok || gathered.length === GATHERED) await send()
    await hands?.did(event as FloorEvent, state)
  }
  while (!reached(state)) {
    const careful = carefulAct(state)
    const next = careful && hands ? await hands.writes(careful, state) : careful
    if (!next) break
    const takesS = next.type === 'step-done' ? (next.heldS ?? next.tookS) : undefined
    if (next.type === 'step-done' && takesS !== undefined) {
      await act({ type: 'timer-started', timer: next.step })
      // The server has to hear of it now: it measures by its own clock.
      await send()
      for (let s = 0; s < takesS; s += 60) await DemoServer.at(asker.url).minuteOn()
    }
    await act(next)
  }
  await send()
}

/** The bleeder under work has its hose on and nobody presses. */
export const hoseOn = ({ run }: JobState): boolean => {
  const stageRun = run?.stages[run.stageIndex]
  const point = stageRun?.points.find((id) => !stageRun.at[id]?.finished)
  return run?.call === 'rest' && !run.lookDue && point !== undefined && stageRun?.at[point]?.ready === true
}

import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { chromium, type Page } from '@playwright/test'
import { newId } from '~/lib/ids'
import { Chance } from '~core/base/random'
import { type CabView, isCabAct } from '~core/cab/view'
import { applyEvent } from '~core/job/apply'
import { carefulAct } from '~core/job/careful'
import type { FloorEvent } from '~core/job/events'
import type { JobState } from '~core/job/state'
import type { Database } from '~server/db/database.server'
import { appendEvents } from '~server/services/append.server'
import { openData } from '~server/services/open-data.server'
import { joinCab, newCabCode } from '~server/store/cab.server'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { loadDemoWorld } from '../../demo/load'
import { chromiumOptions, DemoServer } from '../../test/http/server'
import { signIn } from '../../test/http/sign-in'
import { opensThrough } from '../../test/http/two-people'
import { openVanJob } from '../own-van'
import { line, ms, quantile } from './measure'
import { signedInCookie } from './signed-in'

const PAIRS = 20
const ACTS_EACH = 50
/** A job of an hour with an act every four seconds. */
const HOUR_ACTS = 900

type Pair = { jobId: string; token: string; state: JobState }

/** A two-person job at its first bleeder, with a phone linked. */
async function newPair(db: Database): Promise<Pair> {
  const { stored, jobId } = await openVanJob(db, 'BENCH 2')
  const script = ScriptedJob.planned(stored.vehicle, { reason: 'service' }, ['two-person'], 320)
  script.until(
    ({ run }) =>
      run.call === 'rest' && script.point(run.stages[run.stageIndex]?.points[0] ?? '')?.ready === true,
  )
  const events = script.events.slice(1).map((event) => ({ ...event, id: newId() }))
  const appended = await appendEvents(db, jobId, events)
  const phone = await joinCab(db, await newCabCode(db, jobId))
  if (!appended.ok || !phone) throw new Error('the pair could not be made')
  return { jobId, token: phone.token, state: appended.state }
}

/** What comes next at one pair, with who does it; a bleed that is finished is begun again. */
function nextAct({ state }: Pair): { event: FloorEvent; byCab: boolean } {
  const careful = carefulAct(state) ?? ({ type: 'bleed-again', why: 'bench' } as const)
  const act =
    careful.type === 'call' ? { ...careful, seen: { ...careful.seen, turn: state.callTurn ?? 0 } } : careful
  const event = { ...act, id: newId(), at: new Date().toISOString() } as FloorEvent
  return { event, byCab: event.type === 'call' && isCabAct(event.act) }
}

/** Sends an act as its screen would, and takes it into the pair's own state. */
async function send(url: string, cookie: string, pair: Pair, { event, byCab }: ReturnType<typeof nextAct>) {
  const answer = await fetch(byCab ? `${url}/cab/act` : `${url}/jobs/${pair.jobId}/events`, {
    method: 'POST',
    headers: {
      Cookie: byCab ? `cab=${pair.token}` : cookie,
      Origin: url,
      'Content-Type': 'application/json',
    },
    body: JSON.stringify(event),
  })
  if (!answer.ok) throw new Error(await answer.text())
  const applied = applyEvent(pair.state, event)
  if (!applied.ok) throw new Error(applied.refusal.code)
  pair.state = applied.state
}

/** The two streams of a pair, and when each last told of how long a log. */
class Ears {
  private readonly waiting = new Map<string, () => void>()
  private readonly streams

  constructor(url: string, cookie: string, { jobId, token, state }: Pair) {
    this.streams = [
      opensThrough({ url, cookie })(`/jobs/${jobId}/stream?have=${state.length}`, {
        recorded: (data) => this.heard('bay', (JSON.parse(data) as { place: number }).place),
      }),
      opensThrough({ url, cookie: `cab=${token}` })('/cab/stream', {
        view: (data) => this.heard('cab', (JSON.parse(data) as CabView).length),
      }),
    ]
  }
  private heard(who: 'bay' | 'cab', length: number) {
    this.waiting.get(`${who} ${length}`)?.()
  }
  hears = (who: 'bay' | 'cab', length: number) =>
    new Promise<number>((done) => this.waiting.set(`${who} ${length}`, () => done(performance.now())))
  close() {
    for (const stream of this.streams) stream.close()
  }
}

/** In a page: when something under this selector changes next, by the clock on the wall. */
const nextChange = (selector: string): Promise<number> =>
  new Promise((done, fail) => {
    const at = document.querySelector(selector)
    if (!at) return fail(new Error(`no ${selector}`))
    const seen = new MutationObserver(() => {
      seen.disconnect()
      requestAnimationFrame(() => done(Date.now()))
    })
    seen.observe(at, { childList: true, characterData: true, subtree: true })
  })

async function heapMb(page: Page): Promise<number> {
  const session = await page.context().newCDPSession(page)
  await session.send('HeapProfiler.collectGarbage')
  const { usedSize } = await session.send('Runtime.getHeapUsage')
  await session.detach()
  return usedSize / 1e6
}
const residentMb = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1]) / 1000

/** Twenty pairs at once: from an act on one screen to the other, over raw streams and in two real pages; then an hour's job. */
export async function benchCab(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'siphon-bench-'))
  const { db } = await openData(folder, resolve('build'))
  await loadDemoWorld(db, new Date())
  const pairs: Pair[] = []
  for (let i = 0; i <= PAIRS; i++) pairs.push(await newPair(db))
  await db.close()
  const server = await DemoServer.start(folder)
  const cookie = await signedInCookie(server.url)
  const [inPages, ...raw] = pairs
  if (!inPages) throw new Error('no pair')

  const browser = await chromium.launch(chromiumOptions)
  const context = await browser.newContext({ baseURL: server.url })
  await signIn(context.request, server.url)
  // A window of its own: a page behind another is painted once a second at most.
  const phone = await browser.newContext({ baseURL: server.url, viewport: { width: 390, height: 844 } })
  await phone.addCookies([{ name: 'cab', value: inPages.token, domain: '127.0.0.1', path: '/cab' }])
  const bay = await context.newPage()
  await bay.goto(`/jobs/${inPages.jobId}/bleed`)
  const cab = await phone.newPage()
  await cab.goto('/cab/screen')
  await bay.getByRole('button', { name: 'Cab phone: ● linked' }).waitFor()

  const taken: number[] = []
  const painted: number[] = []
  const chance = new Chance(20)
  const rest = () => new Promise((resume) => setTimeout(resume, 300 + 900 * chance.next()))
  const rawPair = async (pair: Pair) => {
    const ears = new Ears(server.url, cookie, pair)
    await rest()
    for (let i = 0; i < ACTS_EACH; i++) {
      const next = nextAct(pair)
      const heard = ears.hears(next.byCab ? 'bay' : 'cab', pair.state.length + 1)
      const began = performance.now()
      await send(server.url, cookie, pair, next)
      taken.push((await heard) - began)
      await rest()
    }
    ears.close()
  }
  const pagePair = async () => {
    for (let i = 0; i < ACTS_EACH; i++) {
      const next = nextAct(inPages)
      // A top-up or a look changes nothing that the phone shows.
      const seen = next.byCab ? '[data-bay]' : next.event.type === 'call' ? 'main' : undefined
      const changed = seen && (next.byCab ? bay : cab).evaluate(nextChange, seen)
      await rest()
      const began = Date.now()
      await send(server.url, cookie, inPages, next)
      if (changed) painted.push((await changed) - began)
    }
  }
  await Promise.all([pagePair(), ...raw.map(rawPair)])
  line(
    `act to the other screen, p95 of ${taken.length}, ${PAIRS} pairs on ${2 * PAIRS} streams (median ${ms(quantile(taken, 0.5))})`,
    ms(quantile(taken, 0.95)),
    'under 150 ms',
  )
  line(
    `the same in two real pages, painted, p95 of ${painted.length} (median ${ms(quantile(painted, 0.5))})`,
    ms(quantile(painted, 0.95)),
    'under 150 ms',
  )

  const sizes: { bay: number; cab: number; server: number }[] = []
  for (let i = 1; i <= HOUR_ACTS; i++) {
    await send(server.url, cookie, inPages, nextAct(inPages))
    if (i % (HOUR_ACTS / 3) === 0)
      sizes.push({ bay: await heapMb(bay), cab: await heapMb(cab), server: residentMb(server.pid) })
  }
  for (const who of ['bay', 'cab', 'server'] as const) {
    const [first, , last] = sizes.map((size) => size[who])
    line(
      `memory of the ${who} over an hour's job, last against first third (${last?.toFixed(0)} MB)`,
      `${((last ?? 0) / (first ?? 1)).toFixed(2)} ×`,
      'flat, 1.0 ×',
    )
  }
  await browser.close()
  await server.end()
  rmSync(folder, { recursive: true, force: true })
}

import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { chromium, type Page } from '@playwright/test'
import { newId } from '~/lib/ids'
import { carefulAct, carefulProof } from '~core/job/careful'
import { checksFor } from '~core/job/proofs/checks'
import { fromWire, type WireJob } from '~core/job/wire'
import { openData } from '~server/services/open-data.server'
import { loadDemoWorld } from '../demo/load'
import { chromiumOptions, DemoServer } from '../test/http/server'
import { signIn } from '../test/http/sign-in'
import { addBayPhases, linkPhones } from './bay-phases'
import { addRoutinePhases } from './routine-phases'

/** One current picture of each main view, from the demo world. `npm run screenshots -- DIR [dark]` puts them elsewhere. */
const folder = process.argv[2] ?? 'docs/screenshots'
const colorScheme = process.argv[3] === 'dark' ? 'dark' : 'light'

const dataDir = mkdtempSync(join(tmpdir(), 'siphon-pictures-'))
const { db } = await openData(dataDir, resolve('build'))
await loadDemoWorld(db, new Date())
const server = await db.close().then(() => DemoServer.start(dataDir))
const browser = await chromium.launch(chromiumOptions)
const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, colorScheme })
const page = await context.newPage()

async function shot(name: string, of: Page = page) {
  await of.mouse.move(0, 0)
  await of.evaluate(() => scrollTo(0, 0))
  await of.screenshot({ path: `${folder}/${name}.png` })
}
async function go(path: string) {
  await page.goto(server.url + path)
  await page.locator('html[data-answers]').waitFor({ state: 'attached' })
  // A map is drawn and a plan run in a worker of their own.
  await page.waitForFunction(
    () => document.fonts.status === 'loaded' && !document.querySelector('[aria-busy=true]'),
  )
}
const jobOf = async (plate: string) => {
  await go('/')
  return (await page.getByRole('link', { name: plate }).first().getAttribute('href')) ?? '/'
}

const stateOf = async (job: string) =>
  fromWire(
    ((await (await context.request.get(`${server.url}${job}/events`)).json()) as { state: WireJob }).state,
  )
async function record(job: string, act: { type: string; heldS?: number; [more: string]: unknown }) {
  const timer = act.step ?? act.check
  if (act.heldS !== undefined) {
    await record(job, { type: 'timer-started', timer })
    await server.minuteOn()
  }
  const answer = await context.request.post(`${server.url}${job}/events`, {
    headers: { Origin: server.url },
    data: { ...act, id: newId(), at: new Date().toISOString() },
  })
  if (!answer.ok()) throw new Error(await answer.text())
}

/** Take the job in the bay to its end through the events the screen would send, so that the proof has something to show. */
async function bleedToTheEnd(job: string) {
  for (let act = carefulAct(await stateOf(job)); act; act = carefulAct(await stateOf(job)))
    await record(job, act)
}

/** A stretch of rust on a line, and what it comes to. */
async function rustyLine(job: string) {
  await go(`${job}/sheets/line/front%20left%20line`)
  const answers = { 'Rust begins': '0.3', 'Rust ends': '0.6', 'New piece': '0.45' }
  for (const name of ['Pitted', 'Allowed', 'Double, a funnel', 'Seized'])
    await page.getByRole('button', { name, exact: true }).click()
  for (const [label, text] of Object.entries(answers)) await page.getByLabel(label).fill(text)
  await page.getByLabel('New piece').blur()
  await page.getByText('Recorded.', { exact: true }).waitFor()
}

/** A unit whose code went and whose pump code came back. */
async function unitRead(job: string) {
  const code = { code: 'C214', says: 'Pump supply, low' }
  const before = { from: 'aloud', codes: [{ ...code, is: 'present' }], number: 'CU 70-114', lamp: 'on' }
  const after = { ...before, restKPa: 10, pressedKPa: 5200, pedalMm: 61, calibration: 'done' }
  const codes = [{ ...code, is: 'returned' }]
  await record(job, { type: 'unit-read', unit: 'unit', when: 'before', reading: before })
  await record(job, { type: 'unit-read', unit: 'unit', when: 'after', reading: { ...after, codes } })
  await go(`${job}/unit`)
  await shot('unit')
}

async function everyView() {
  await signIn(context.request, server.url)
  await go('/')
  await shot('yard')
  await go('/due')
  await shot('due')
  await go('/shelf')
  await shot('shelf')
  await go('/vehicles')
  await page.getByRole('link', { name: 'GNT 107' }).click()
  await page.getByRole('link', { name: 'Fluid: readings and due' }).click()
  await page.waitForTimeout(600)
  await shot('fluid')
  await go('/vehicles')
  await page.getByRole('link', { name: 'MRM 61' }).click()
  await page.getByText('Bleeders and runs').waitFor()
  await shot('vehicle')
  const moto = await jobOf('SKU 30')
  await go(`${moto}/check-in`)
  await page.getByLabel('Routine exchange').check()
  await page.getByLabel('Green tint').check()
  await page
    .getByLabel(/^In .* now/)
    .first()
    .fill('30')
  await shot('check-in')
  const rhd = await jobOf('GNT 212')
  await go(`${rhd}/test`)
  await page.waitForTimeout(600)
  await shot('test')
  await go(`${rhd}/plan`)
  await page.getByText('in nine of ten').waitFor()
  await shot('plan')
  await rustyLine(rhd)
  await shot('sheet')
  await go(`${rhd}/card`)
  await page.setViewportSize({ width: 718, height: 1010 })
  await page.emulateMedia({ media: 'print' })
  await shot('bay-card')
  await page.emulateMedia({ media: null })
  await page.setViewportSize({ width: 1280, height: 800 })
  const lhd = await jobOf('GNT 107')
  await go(`${lhd}/bleed`)
  await page.setViewportSize({ width: 1024, height: 768 })
  await shot('bleed-open')
  await page.keyboard.press('c')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'pedal is up' }).click({ timeout: 5000 })
  await page.setViewportSize({ width: 1280, height: 800 })
  await go('/')
  await record(lhd, { type: 'pull-seen', ml: 9, colour: 'amber', bubbles: 'none' })
  await record(lhd, { type: 'trouble', trouble: { what: 'spilled', ml: 30, on: 'pads' } })
  await bleedToTheEnd(lhd)
  const bled = await stateOf(lhd)
  for (const check of checksFor(bled).slice(0, 9))
    for (const act of carefulProof(bled, check)) await record(lhd, act)
  await unitRead(lhd)
  await record(lhd, { type: 'check-proved', check: 'joints-dry', passed: false, note: '' })
  await go(`${lhd}/prove`)
  await shot('prove')
  await record(lhd, {
    type: 'parked',
    why: 'wet joint at the rear left, hose comes with the ferry',
    standsOpen: ['RL'],
    machineOn: false,
    pedalPropped: false,
    note: 'Wheels are off.',
  })
  await go('/find?complaint=soft-pedal&found=level.full&found=wet-places.dry')
  await page.locator('#next-look').waitFor()
  await shot('find')
  await go('/logbook')
  await page.getByRole('link', { name: 'GNT 107' }).click()
  await page.getByText('Bleeders, in the order').waitFor()
  await shot('record')
  await go('/bench/left-right')
  await page.waitForTimeout(600)
  await shot('bench-left-right')
  await go('/kit')
  await shot('../kit')
}

const languages = ['en-GB', 'de-DE', 'es-ES', 'pl-PL', 'ar'] as const

/** The helper's phone at every word, by day and by night, and last with the link gone: readable from a thumbnail. */
async function cabSheet(tokens: readonly string[]) {
  const tiles: string[] = []
  for (const [i, scheme] of (['light', 'dark'] as const).entries()) {
    let last: Page | undefined
    for (const [k, token] of tokens.entries()) {
      const cab = await browser.newContext({
        viewport: { width: 390, height: 844 },
        baseURL: server.url,
        locale: languages[(k + i) % languages.length],
        colorScheme: scheme,
      })
      await cab.addCookies([{ name: 'cab', value: token, domain: '127.0.0.1', path: '/cab' }])
      last = await cab.newPage()
      await last.goto('/cab/screen')
      await last.waitForTimeout(600)
      tiles.push((await last.screenshot()).toString('base64'))
      if (k < tokens.length - 1) await cab.close()
    }
    if (!last) continue
    process.kill(server.pid, 'SIGSTOP')
    await last.waitForTimeout(10_000)
    tiles.push((await last.screenshot()).toString('base64'))
    process.kill(server.pid, 'SIGCONT')
    await last.context().close()
  }
  const sheet = await browser.newPage({ viewport: { width: 1600, height: 900 } })
  const pictures = tiles.map((png) => `<img src="data:image/png;base64,${png}">`).join('')
  await sheet.setContent(
    `<style>body{margin:12px;background:#f4ecdd;display:grid;grid-template-columns:repeat(${tiles.length / 2},1fr);gap:10px}img{width:100%;border:1px solid #241b16}</style>${pictures}`,
    { waitUntil: 'load' },
  )
  await sheet.screenshot({ path: `${folder}/cab.png`, fullPage: true })
  await sheet.close()
}

type Named = { name: string; jobId: string }

/** The bay of each job at a third of its size, with its name. */
async function bayTiles(jobs: readonly Named[], scheme: 'light' | 'dark'): Promise<string> {
  const bay = await browser.newContext({ viewport: { width: 1024, height: 768 }, colorScheme: scheme })
  await signIn(bay.request, server.url)
  const screen = await bay.newPage()
  const tiles: string[] = []
  for (const { name, jobId } of jobs) {
    // An open stream is never idle.
    await screen.goto(`${server.url}/jobs/${jobId}/bleed`, { waitUntil: 'load' })
    await screen.waitForTimeout(500)
    const png = (await screen.screenshot()).toString('base64')
    tiles.push(`<figure><img src="data:image/png;base64,${png}"><figcaption>${name}</figcaption></figure>`)
  }
  await bay.close()
  return `<section class="${scheme}">${tiles.join('')}</section>`
}

/** Every phase on one sheet that can be taken in at once. */
async function contactSheet(name: string, sections: readonly string[]) {
  const sheet = await browser.newPage({ viewport: { width: 1640, height: 800 } })
  await sheet.setContent(
    `<style>body{margin:0;font:600 15px sans-serif}section{padding:12px;display:grid;grid-template-columns:repeat(5,1fr);gap:12px;background:#f4ecdd;color:#241b16}
     section.dark{background:#171210;color:#f3e8d8}figure{margin:0}img{width:100%;display:block;border:1px solid}figcaption{padding-top:3px}</style>${sections.join('')}`,
    { waitUntil: 'load' },
  )
  await sheet.screenshot({ path: `${folder}/${name}.png`, fullPage: true })
  await sheet.close()
}

try {
  await everyView()
  await server.stop()
  const again = await openData(dataDir, resolve('build'))
  const jobs = await addBayPhases(again.db, new Date())
  const routines = await addRoutinePhases(again.db, new Date())
  await again.db.close()
  await server.run()
  await contactSheet('bay-phases', [await bayTiles(jobs, 'light'), await bayTiles(jobs, 'dark')])
  await contactSheet('routines', [await bayTiles(routines, 'light')])
  await server.stop()
  const once = await openData(dataDir, resolve('build'))
  const tokens = await linkPhones(once.db, jobs)
  await once.db.close()
  await server.run()
  await cabSheet(tokens)
} finally {
  await browser.close()
  await server.end()
}

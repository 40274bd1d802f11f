import { networkInterfaces } from 'node:os'
import type { Browser, BrowserContext, Page } from '@playwright/test'
import { harbourTug } from '~test/worlds/harbour-tug'
import { hoseOn } from '../test/http/job'
import { DemoServer } from '../test/http/server'
import { signIn } from '../test/http/sign-in'
import { accessibilityFaults, expect, test, visit } from './journey'
import { plannedOn } from './set-up'
import { goOnUntil, holdClosed, lookClean, savedState } from './steps'

/** A job at its first bleeder with the hose on, and a code out for its cab. */
async function withCode(page: Page, plate: string): Promise<{ job: string; code: string }> {
  const job = await plannedOn(page, harbourTug, plate)
  await goOnUntil(page, job, hoseOn)
  return { job, code: await codeShown(page) }
}

/** What the bay shows for a phone to link by. */
async function codeShown(page: Page): Promise<string> {
  await page.getByRole('button', { name: 'Link a phone for the cab' }).click()
  await page.getByRole('button', { name: 'Make a code for it' }).click()
  await expect(page.getByText('For this job only')).toBeVisible()
  const code = page.getByRole('dialog').getByText(/^[2-9A-Z]{6}$/)
  return (await code.textContent()) ?? ''
}

/** The bay of a job of the demo world on a server of the journey's own. */
async function openBayOn(server: DemoServer, page: Page, plate: string): Promise<void> {
  await signIn(page.context().request, server.url)
  await page.goto(server.url)
  const job = await page.getByRole('link', { name: plate }).first().getAttribute('href')
  await page.goto(`${server.url}${job}/bleed`)
}

/** A helper's phone, linked by the picture's address. */
async function phone(
  browser: Browser,
  url: string,
  code: string,
  locale = 'en-GB',
): Promise<{ cab: Page; context: BrowserContext }> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, baseURL: url, locale })
  const cab = await context.newPage()
  await cab.goto(`/cab?code=${code}`)
  await cab.getByRole('button', { name: 'Link this phone' }).click()
  await expect(cab).toHaveURL(/cab\/screen/)
  return { cab, context }
}
/** Addresses of this machine on its networks; a machine without one has none to serve. */
const lanAddresses = () =>
  Object.values(networkInterfaces())
    .flatMap((each) => each ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address)

const word = (cab: Page) => cab.getByRole('heading', { level: 1 })

test('a whole pull with two screens: each says what the other does, and only closing lets the cab go', async ({
  page,
  browser,
  server,
}) => {
  const { job, code } = await withCode(page, 'CAB 1')
  const { cab, context } = await phone(browser, server.url, code)
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'Cab phone: ● linked' })).toBeVisible()
  await expect(word(cab)).toHaveText('WAIT')
  await expect(cab.getByText('CAB 1')).toBeVisible()
  await page.getByRole('button', { name: 'Call PRESS' }).click()
  await expect(word(cab)).toHaveText('PRESS')
  expect(await accessibilityFaults(cab)).toEqual([])
  await cab.getByRole('button', { name: /^It is (down|hard), I hold/ }).click()
  await page.getByRole('button', { name: 'It is open' }).click()
  await expect(word(cab)).toHaveText('HOLD')
  await expect(cab.getByText('Wheel: bleeder is OPEN')).toBeVisible()
  await expect(cab.getByRole('button', { name: 'It is up' })).toHaveCount(0)
  await holdClosed(page)
  await expect(word(cab)).toHaveText('RELEASE')
  // The phone is picked up again after a reload, where it was.
  await cab.reload()
  await expect(word(cab)).toHaveText('RELEASE')
  await cab.getByRole('button', { name: 'It is up' }).click()
  await expect(page.getByText('What did the pull bring?')).toBeVisible()
  await lookClean(page, '15')
  const state = await savedState(page, job)
  expect(state.people.map(({ name }) => name)).toContain('Cab')
  await context.close()
})

test('the cab may send the cab’s acts and nothing else; its language is its own; it ends with the job', async ({
  page,
  browser,
  server,
}) => {
  const { job, code } = await withCode(page, 'CAB 2')
  const { cab, context } = await phone(browser, server.url, code, 'de-DE')
  await expect(word(cab)).toHaveText('WARTEN')
  await cab.locator('summary').click()
  await cab.getByRole('button', { name: 'العربية' }).click()
  await expect(word(cab)).toHaveText('انتظر')
  await expect(cab.getByRole('main')).toHaveAttribute('dir', 'rtl')
  expect(await accessibilityFaults(cab)).toEqual([])
  await cab.getByRole('button', { name: 'Español' }).click()
  await expect(word(cab)).toHaveText('ESPERA')
  const { run } = await savedState(page, job)
  const seen = { point: 'rr', call: run?.call, pulls: 0 }
  const send = (act: string) =>
    context.request.post('/cab/act', {
      headers: { Origin: server.url },
      data: { id: `cab-journey-${act}`.padEnd(20, '-'), at: new Date().toISOString(), act, seen },
    })
  for (const act of ['press', 'open', 'close', 'stroke']) {
    const answer = await send(act)
    expect(answer.status()).toBe(403)
    expect((await answer.json()).refusal.text).toContain('the wheel’s')
  }
  // Nor does a cab see or change anything else of the shop.
  expect((await context.request.get('/', { maxRedirects: 0 })).status()).toBe(302)
  expect((await context.request.get(`${job}/events`)).status()).toBe(401)
  await page.keyboard.press('Escape')
  await visit(page, '/')
  await page.goto(`${job}/file`)
  await page.getByLabel('Not fit to drive').check()
  await page.getByRole('button', { name: 'File it' }).click()
  await expect(page).toHaveURL(/record$/)
  await expect(word(cab)).toHaveText('LISTO')
  expect((await send('holding')).status()).toBe(401)
  await context.close()
})

test('a phone that goes dark freezes the call in the bay; closing stays, voice goes on, and heard again it counts again', async ({
  page,
  browser,
  server,
}) => {
  const { code } = await withCode(page, 'CAB 3')
  const { cab, context } = await phone(browser, server.url, code)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Call PRESS' }).click()
  await cab.getByRole('button', { name: /^It is (down|hard), I hold/ }).click()
  await expect(page.getByRole('button', { name: 'It is open' })).toBeVisible()
  await context.request.post('/cab/beat?dark', { headers: { Origin: server.url } })
  await cab.close()
  await expect(page.getByText('The cab’s phone is not heard')).toBeVisible()
  await expect(page.getByRole('button', { name: 'It is open' })).toHaveCount(0)
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByRole('button', { name: 'The cab answers me by voice' }).click()
  await page.getByRole('button', { name: 'It is open' }).click()
  await holdClosed(page)
  const again = await context.newPage()
  await again.goto('/cab/screen')
  await expect(word(again)).toHaveText('RELEASE')
  await expect(page.getByRole('button', { name: 'Cab phone: ● linked' })).toBeVisible()
  await context.close()
})

test.describe('wrong codes', () => {
  test.use({ expectedFailures: [/status of (404|429) .*cab\.data$/] })
  test('five in a row lock the door for a while, also for the right one', async ({ page, browser }) => {
    // The door is locked for everybody on this machine, so it is the door of a server of its own.
    const server = await DemoServer.start()
    const context = await browser.newContext({ baseURL: server.url })
    try {
      await openBayOn(server, page, 'GNT 107')
      const code = await codeShown(page)
      const answer = async (typed: string) => {
        const form = { code: typed }
        const headers = { Origin: server.url }
        return (await context.request.post('/cab', { headers, form, maxRedirects: 0 })).status()
      }
      for (let i = 0; i < 4; i++) expect(await answer('ABCDEF')).toBe(404)
      expect(await answer('ABCDEF')).toBe(429)
      expect(await answer(code)).toBe(429)
      const cab = await context.newPage()
      await cab.goto('/cab')
      await cab.getByLabel('Code from the bay').fill(code)
      await cab.getByRole('button', { name: 'Link this phone' }).click()
      await expect(cab.getByRole('alert')).toContainText('Wait five minutes')
      expect(await accessibilityFaults(cab)).toEqual([])
    } finally {
      await context.close()
      await page.goto('about:blank')
      await server.end()
    }
  })
})

test('served to the shop’s network, the picture carries an address that a phone reaches there', async ({
  page,
  request,
}) => {
  const [lan] = lanAddresses()
  const server = await DemoServer.start(undefined, { lan: true })
  try {
    await openBayOn(server, page, 'GNT 107')
    await codeShown(page)
    const address = `http://${lan ?? '127.0.0.1'}:${server.port}`
    await expect(page.getByText(`${address}/cab`)).toBeVisible()
    await expect(page.getByText('a phone cannot reach it')).toHaveCount(lan ? 0 : 1)
    expect(await (await request.get(`${address}/cab`)).text()).toContain('Code from the bay')
  } finally {
    // Its stream is closed by the page, not cut by the server.
    await page.goto('about:blank')
    await server.end()
  }
})

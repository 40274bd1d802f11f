import type { Browser, BrowserContext, Page } from '@playwright/test'
import { harbourTug } from '~test/worlds/harbour-tug'
import { hoseOn } from '../test/http/job'
import { accessibilityFaults, expect, serverGone, test } from './journey'
import { plannedOn } from './set-up'
import { SilentProxy } from './silent-proxy'
import { goOnUntil, holdClosed, linkPhone, lookAsked, lookClean, proveAll, savedState } from './steps'

test.use({ expectedFailures: [serverGone] })

/** A bay with the hose on the first bleeder, and a helper's phone that is linked to it. */
async function bayAndPhone(page: Page, browser: Browser, url: string, plate: string) {
  const job = await plannedOn(page, harbourTug, plate)
  await goOnUntil(page, job, hoseOn)
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    baseURL: url,
    locale: 'en-GB',
  })
  await linkPhone(page, context.request, url)
  const cab = await context.newPage()
  await cab.goto('/cab/screen')
  // The sheet with the code closes by itself.
  await expect(page.getByRole('button', { name: 'Cab phone: ● linked' })).toBeVisible()
  return { job, cab, context }
}
const word = (cab: Page) => cab.getByRole('heading', { level: 1 })
const end = async (context: BrowserContext, page: Page) => {
  await page.goto('about:blank')
  await context.close()
}

/** One pull, each person on their own screen; after the first the press is called by itself. */
async function pull(page: Page, cab: Page, byHand: boolean) {
  if (byHand) await page.getByRole('button', { name: 'Call PRESS' }).click()
  await expect(word(cab)).toHaveText('PRESS')
  await cab.getByRole('button', { name: /^It is (down|hard), I hold/ }).click()
  await page.getByRole('button', { name: 'It is open' }).click()
  await expect(word(cab)).toHaveText('HOLD')
  await holdClosed(page)
  await expect(word(cab)).toHaveText('RELEASE')
  await cab.getByRole('button', { name: 'It is up' }).click()
}

test('a whole job by two people on two screens, with a slip of the thumb taken back, until it is filed', async ({
  page,
  browser,
  server,
}) => {
  await page.clock.install()
  const { job, cab, context } = await bayAndPhone(page, browser, server.url, 'CTX 1')
  await page.getByRole('button', { name: 'Call PRESS' }).click()
  await expect(word(cab)).toHaveText('PRESS')
  await page.getByRole('button', { name: 'Undo: last call' }).click()
  await expect(word(cab)).toHaveText('WAIT')
  let byHand = true
  for (const bleeder of ['rr', 'rl']) {
    const done = page.getByText(`Bleeder ${bleeder} is done`)
    for (let i = 0; i < 20 && !(await done.isVisible()); i++) {
      await pull(page, cab, byHand)
      byHand = false
      await expect(lookAsked(page).or(page.getByText('Press slowly'))).toBeVisible()
      if (!(await lookAsked(page).isVisible())) continue
      await page.getByRole('button', { name: 'As new', exact: true }).click()
      await page.getByRole('button', { name: 'No bubbles', exact: true }).click()
      const topUp = page.getByRole('button', { name: 'Topped up: go on' })
      await expect(done.or(topUp).or(page.getByText('Press slowly'))).toBeVisible()
      if (await topUp.isVisible()) await topUp.click()
    }
    await page.getByRole('button', { name: /^Tight, cap on/ }).click()
    if (bleeder === 'rr') await page.getByRole('button', { name: 'Hose is on' }).click()
  }
  await expect(cab.getByText('Wheel: bleed is done')).toBeVisible()
  await expect(word(cab)).toHaveText('FREE')
  const state = await savedState(page, job)
  expect(state.people.map(({ name }) => name)).toEqual(['Una Brack', 'Cab'])
  await page.getByRole('link', { name: 'Go on to the proof' }).click()
  await expect(page.getByRole('link', { name: 'File it as not fit' })).toBeVisible()
  await proveAll(page)
  await page.getByRole('link', { name: 'All proved' }).click()
  await page.getByRole('button', { name: 'File it' }).click()
  await expect(page.getByText('✓ FIT TO DRIVE')).toBeVisible()
  await expect(word(cab)).toHaveText('DONE')
  await end(context, page)
})

test('the server killed in mid-call: the phone says HOLD, the bay stands still, and both go on when it is back; what came late is marked', async ({
  page,
  browser,
  server,
}) => {
  await page.clock.install()
  const { job, cab, context } = await bayAndPhone(page, browser, server.url, 'CTX 2')
  await page.getByRole('button', { name: 'Call PRESS' }).click()
  await cab.getByRole('button', { name: /^It is (down|hard), I hold/ }).click()
  await page.getByRole('button', { name: 'It is open' }).click()
  await expect(cab.getByText('Wheel: bleeder is OPEN')).toBeVisible()
  await expect(page.getByText('● saved')).toBeVisible()
  await server.stop('SIGKILL')
  await expect(cab.getByText('○ no link')).toBeVisible()
  await expect(word(cab)).toHaveText('HOLD')
  await expect(page.getByText('The cab’s phone is not heard')).toBeVisible()
  await holdClosed(page)
  await expect(page.getByText('no server: kept in this browser')).toBeVisible()
  await expect(word(cab)).toHaveText('HOLD')
  // Leaving now would show nothing: it is said before it happens, and staying is the way on.
  await page.getByRole('link', { name: 'yard' }).click()
  await expect(page.getByRole('dialog')).toContainText('that page cannot be fetched')
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByRole('button', { name: 'Stay here' }).click()
  await page.clock.fastForward(40 * 60_000)
  await server.run()
  await expect(page.getByText('● saved')).toBeVisible({ timeout: 20_000 })
  await expect(word(cab)).toHaveText('RELEASE')
  await cab.getByRole('button', { name: 'It is up' }).click()
  await expect(page.getByText('What did the pull bring?')).toBeVisible()
  const { run, late } = await savedState(page, job)
  expect(run?.call).toBe('rest')
  expect(late?.acts).toBe(1)
  expect(late?.longestS).toBeGreaterThan(39 * 60)
  await page.goto(`${job}/trace`)
  await expect(page.getByText('late: kept in the browser')).toBeVisible()
  await end(context, page)
})

test('the network silent for 30 s for both: HOLD there, closing alone here; then RELEASE as soon as it is heard', async ({
  page,
  browser,
  server,
}) => {
  const { job, cab, context } = await bayAndPhone(page, browser, server.url, 'CTX 3')
  const proxy = await SilentProxy.to(server.port)
  await page.goto(`${proxy.url}${job}/bleed`)
  await cab.goto(`${proxy.url}/cab/screen`)
  await expect(page.getByRole('button', { name: 'Cab phone: ● linked' })).toBeVisible()
  await page.getByRole('button', { name: 'Call PRESS' }).click()
  await cab.getByRole('button', { name: /^It is (down|hard), I hold/ }).click()
  await page.getByRole('button', { name: 'It is open' }).click()
  await expect(word(cab)).toHaveText('HOLD')
  await expect(page.getByText('● saved')).toBeVisible()
  await proxy.silentFor(32_000, async () => {
    await expect(cab.getByText('○ no link')).toBeVisible()
    await expect(page.getByText('The cab’s phone is not heard')).toBeVisible()
    await holdClosed(page)
    await expect(word(cab)).toHaveText('HOLD')
  })
  await expect(page.getByText('● saved')).toBeVisible({ timeout: 20_000 })
  await expect(word(cab)).toHaveText('RELEASE')
  expect((await savedState(page, job)).run?.call).toBe('closed')
  await end(context, page)
  proxy.end()
})

test('the helper leaves in mid-job: the work goes on alone by another way, and what went through counts', async ({
  page,
  browser,
  server,
}) => {
  const { job, cab, context } = await bayAndPhone(page, browser, server.url, 'CTX 4')
  await pull(page, cab, true)
  await page.getByRole('button', { name: 'Wait before the next press' }).click()
  await page.getByRole('button', { name: 'Nobody in the cab?' }).click()
  await expect(page.getByText('Bring this call to its end first')).toBeVisible()
  await page.getByRole('button', { name: 'Not now' }).click()
  await lookClean(page, '15')
  await expect(page.getByRole('button', { name: 'Call PRESS' })).toBeVisible()
  await page.getByRole('button', { name: 'Nobody in the cab?' }).click()
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByRole('button', { name: /^Vacuum at the bleeder/ }).click()
  await expect(page.getByText('What went through counts on.').first()).toBeVisible()
  await expect(word(cab)).toHaveText('FREE')
  const { run } = await savedState(page, job)
  expect(run?.stages[run.stageIndex]?.stage.technique).toBe('vacuum')
  await goOnUntil(page, job)
  await expect(page.getByText('Now prove it.')).toBeVisible()
  await page.goto(`${job}/record`)
  await expect(page.getByText('Vacuum at the bleeder', { exact: false }).first()).toBeVisible()
  await expect(page.getByText('The helper was called away')).toBeVisible()
  await end(context, page)
})

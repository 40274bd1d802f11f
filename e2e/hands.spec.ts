import type { Page } from '@playwright/test'
import { hoseOn } from '../test/http/job'
import { expect, test, visit } from './journey'
import { plannedOn } from './set-up'
import { goOnUntil, holdClosed, linkPhone, savedState } from './steps'
import { example } from './taken'

// The other journeys ask for less: here the phone's picture and the bar of a hold move.
test.use({ contextOptions: { reducedMotion: 'no-preference' } })

/** Who works here: alone, or with somebody in the cab. */
async function shopIs(page: Page, alone: boolean): Promise<void> {
  await visit(page, '/settings')
  await page.getByLabel('People who can sit in the cab').fill(alone ? '0' : '1')
  await page.getByRole('checkbox', { name: 'Solo', exact: true }).setChecked(alone)
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Saved.')).toBeVisible()
}

test('a motorcycle alone: squeezed, opened, closed, let go, two acts a pull, and closing is never the tap that opened', async ({
  page,
}) => {
  await shopIs(page, true)
  const job = await plannedOn(page, example('courier-twin-disc'), 'MCA 1', 'within-reach')
  await goOnUntil(page, job, hoseOn)
  await expect(page.getByText(/squeeze it again and hold/)).toBeVisible()
  await expect(page.getByText('Cab:')).toHaveCount(0)
  for (let pull = 1; pull <= 3; pull++) {
    await page.getByRole('button', { name: 'It is open, lever held' }).click()
    // The large area that went on does not close: a tap there leaves it open.
    await expect(page.getByText('Close it first, then let go')).toBeVisible()
    await page.getByRole('button', { name: 'is CLOSED' }).click()
    expect((await savedState(page, job)).run?.call).toBe('open')
    await holdClosed(page)
    const look = page.getByRole('button', { name: 'No bubbles', exact: true })
    await expect(look.or(page.getByRole('button', { name: 'It is open, lever held' })).first()).toBeVisible()
    if (await look.isVisible()) await look.click()
  }
  const places = (await savedState(page, job)).run?.stages.flatMap(({ at }) => Object.values(at)) ?? []
  expect(places.map(({ pulls }) => pulls)).toContain(3)
  // Each system by itself: the other one is not begun while this one stands open.
  await goOnUntil(page, job)
  await expect(page.getByText('Now prove it.')).toBeVisible()
  await shopIs(page, false)
})

test('a clutch and brakes of one car: the phone says which pedal, by word and picture, wheel by wheel', async ({
  page,
  browser,
  server,
}) => {
  const job = await plannedOn(page, example('coastguard-saloon'), 'CLB 1', 'press-through')
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, baseURL: server.url })
  await linkPhone(page, context.request, server.url)
  const cab = await context.newPage()
  await cab.goto('/cab/screen')
  const pressingAt = (point: string) =>
    goOnUntil(page, job, ({ run }) => run?.call === 'pressing' && run.callAt === point)
  await pressingAt('RR')
  await expect(cab.getByText(/Brake pedal\./)).toBeVisible()
  await pressingAt('CL')
  await expect(cab.getByText(/Clutch pedal\./)).toBeVisible()
  await expect(cab.getByText(/Brake pedal\./)).toHaveCount(0)
  await context.close()
})

test('the machine runs while the tester is at the desk: a phone with the job open calls back at the mark', async ({
  page,
}) => {
  const job = await plannedOn(page, example('ferry-estate'), 'MWA 1', 'pressure')
  await page.clock.install()
  await page.setViewportSize({ width: 390, height: 844 })
  await goOnUntil(page, job, ({ run }) => run?.call === 'open')
  await expect(page.getByText(/Its line lets about \d+ mL through in a minute/)).toBeVisible()
  // Not long enough to walk away for at first; once the hose was seen to run clear it is.
  await page.getByRole('button', { name: 'No bubbles', exact: true }).click()
  const clock = page.getByRole('timer')
  await expect(clock).toContainText('of usually')
  await expect(page.getByText('has run to its mark')).toHaveCount(0)
  await page.clock.fastForward(15 * 60_000)
  await expect(page.getByText(/has run to its mark: look at it now/).first()).toBeVisible()
})

import { harbourTug } from '~test/worlds/harbour-tug'
import { hoseOn, stateOf } from '../test/http/job'
import { expect, reload, serverGone, test, visit } from './journey'
import { plannedOn } from './set-up'
import { SilentProxy } from './silent-proxy'
import { goOnUntil, holdClosed, savedState, untilFirstBleeder } from './steps'

test.use({ expectedFailures: [serverGone] })

test('the server killed in mid-call: the screen says so, nothing is lost, and the call goes on when it is back', async ({
  page,
  server,
}) => {
  const job = await plannedOn(page, harbourTug, 'TUG 30')
  await untilFirstBleeder(page)
  await page.getByRole('button', { name: 'Hose is on' }).click()
  await page.getByRole('button', { name: 'Call PRESS' }).click()
  await expect(page.getByText('● saved')).toBeVisible()
  await server.stop('SIGKILL')
  await page.getByRole('button', { name: 'holding' }).click()
  await page.getByRole('button', { name: 'It is open' }).click()
  await expect(page.getByText('no server: kept in this browser')).toBeVisible()
  await expect(page.getByText('KEEP HOLDING')).toBeVisible()
  await server.run()
  await expect(page.getByText('● saved')).toBeVisible({ timeout: 20_000 })
  await holdClosed(page)
  await expect(page.getByText('RELEASE', { exact: true })).toBeVisible()
  const state = await savedState(page, job)
  expect(state.run?.call).toBe('closed')
})

test('what the server never heard survives a reload of the page', async ({ page }) => {
  const job = await plannedOn(page, harbourTug, 'TUG 31')
  await untilFirstBleeder(page)
  await expect(page.getByText('● saved')).toBeVisible()
  await page.route('**/events', (route) => route.abort('connectionrefused'))
  await page.getByRole('button', { name: 'Hose is on' }).click()
  await page.getByRole('button', { name: 'Call PRESS' }).click()
  await expect(page.getByText('no server: kept in this browser')).toBeVisible()
  await page.unroute('**/events')
  await reload(page)
  await expect(page.getByText('Press slowly, and hold.')).toBeVisible()
  await expect(page.getByText('● saved')).toBeVisible()
  expect((await stateOf(page.request, job)).run?.call).toBe('pressing')
})

test('a browser that cannot keep events says so, and still records every act', async ({ page }) => {
  await page.addInitScript(() => Object.defineProperty(window, 'indexedDB', { value: undefined }))
  const job = await plannedOn(page, harbourTug, 'TUG 33')
  await untilFirstBleeder(page)
  await expect(page.getByText('This browser cannot keep events')).toBeVisible()
  await page.getByRole('button', { name: 'Hose is on' }).click()
  await page.getByRole('button', { name: 'Call PRESS' }).click()
  const state = await savedState(page, job)
  expect(state.run?.call).toBe('pressing')
  await expect(page.getByText('This browser cannot keep events')).toBeVisible()
})

test('two tabs on one job: each shows what the other did, without being asked', async ({ page, context }) => {
  const job = await plannedOn(page, harbourTug, 'TUG 32')
  await untilFirstBleeder(page)
  await expect(page.getByText('● saved')).toBeVisible()
  const other = await context.newPage()
  await visit(other, `${job}/bleed`)
  await page.getByRole('button', { name: 'Hose is on' }).click()
  await page.getByRole('button', { name: 'Call PRESS' }).click()
  await expect(page.getByText('● saved')).toBeVisible()
  await expect(other.getByText('Press slowly, and hold.')).toBeVisible()
  await page.getByRole('button', { name: 'holding' }).click()
  await expect(page.getByText('● saved')).toBeVisible()
  await expect(other.getByText('Open bleeder rr')).toBeVisible()
  await other.close()
})

test('the network silent for 30 s in mid-call: the screen says so, the cab keeps holding, and every act arrives once, in order', async ({
  page,
  server,
}) => {
  const job = await plannedOn(page, harbourTug, 'TUG 34')
  const proxy = await SilentProxy.to(server.port)
  await goOnUntil(page, job, hoseOn)
  await visit(page, `${proxy.url}${job}/bleed`)
  await page.getByRole('button', { name: 'Call PRESS' }).click()
  const before = await savedState(page, job)
  await proxy.silentFor(30_000, async () => {
    await page.getByRole('button', { name: 'holding' }).click()
    await page.getByRole('button', { name: 'It is open' }).click()
    await expect(page.getByText('no server: kept in this browser')).toBeVisible({ timeout: 10_000 })
    await expect(page.getByText('KEEP HOLDING')).toBeVisible()
    await holdClosed(page)
    await page.getByRole('button', { name: 'pedal is up' }).click()
  })
  await expect(page.getByText('● saved')).toBeVisible({ timeout: 20_000 })
  const { run, length } = await stateOf(page.request, job)
  expect(run).toMatchObject({ call: 'rest', lookDue: true })
  expect(length).toBe(before.length + 4)
  proxy.end()
})

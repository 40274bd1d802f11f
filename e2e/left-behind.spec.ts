import type { Page } from '@playwright/test'
import { harbourTug } from '~test/worlds/harbour-tug'
import { hoseOn, stateOf } from '../test/http/job'
import { accessibilityFaults, expect, serverGone, test, visit } from './journey'
import { plannedOn } from './set-up'
import { goOnUntil, record } from './steps'

test.use({ expectedFailures: [RegExp(`${serverGone.source}|status of 409`)] })

const cut = (page: Page) => page.route('**/events', (route) => route.abort('connectionrefused'))

/** Two acts that this browser keeps, and their job’s page left all the same. */
async function left(page: Page, plate: string): Promise<string> {
  const job = await plannedOn(page, harbourTug, plate)
  await goOnUntil(page, job, hoseOn)
  await cut(page)
  await page.getByRole('button', { name: 'Call PRESS' }).click()
  await page.getByRole('button', { name: 'The cab says: holding' }).click()
  await expect(page.getByText('no server: kept in this browser, sent when it is back (2 acts)')).toBeVisible()
  await page.getByRole('link', { name: /Harbour tug/ }).click()
  await page.getByRole('button', { name: 'Leave all the same' }).click()
  return job
}

test('what a job left in this browser is sent from another page, which says how it stands', async ({
  page,
}) => {
  const job = await left(page, 'LFT 1')
  await expect(page.getByText('2 acts done on this screen are kept in this browser')).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
  expect((await stateOf(page.request, job)).run?.call).toBe('rest')
  await page.unroute('**/events')
  await expect(page.getByText('✓ 2 acts done on this screen are with the server now.')).toBeVisible()
  expect((await stateOf(page.request, job)).run?.call).toBe('holding')
})

test('a tablet that started anew sends from whatever page it opens what a job left in it', async ({
  page,
  context,
}) => {
  const job = await left(page, 'LFT 2')
  await expect(page.getByText('2 acts done on this screen are kept')).toBeVisible()
  await page.close()
  const anew = await context.newPage()
  await visit(anew, '/shelf')
  await expect(anew.getByText('✓ 2 acts done on this screen are with the server now.')).toBeVisible()
  expect((await stateOf(anew.request, job)).run?.call).toBe('holding')
  await visit(anew, '/due')
  await expect(anew.getByRole('heading', { level: 1 })).toBeVisible()
  await expect(anew.getByText('done on this screen')).toBeHidden()
})

test('what is refused meanwhile stays on every page with its reason, until somebody has seen to it', async ({
  page,
}) => {
  const job = await left(page, 'LFT 3')
  await record(page, job, {
    type: 'parked',
    why: 'shift ends',
    standsOpen: [],
    machineOn: false,
    pedalPropped: false,
    note: '',
  })
  await page.unroute('**/events')
  const aside = page.getByText('2 acts done on this screen are not in the job')
  await expect(aside).toBeVisible()
  await page.getByRole('link', { name: 'Shelf' }).click()
  await aside.click()
  await expect(page.getByText('This job is parked').first()).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
  await visit(page, `${job}/bleed`)
  await expect(aside).toBeVisible()
  await aside.click()
  await page.getByRole('button', { name: 'Seen to' }).click()
  await expect(aside).toBeHidden()
  await visit(page, '/')
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await expect(aside).toBeHidden()
})

import { harbourTug } from '~test/worlds/harbour-tug'
import { hoseOn } from '../test/http/job'
import { accessibilityFaults, expect, test, visit } from './journey'
import { plannedOn } from './set-up'
import { goOnUntil, record } from './steps'

test('a foreman reads what happened: folded by place in sentences, and what went wrong by itself', async ({
  page,
}) => {
  const job = await plannedOn(page, harbourTug, 'TRC 1')
  await goOnUntil(page, job, hoseOn)
  await record(page, job, { type: 'trouble', trouble: { what: 'spilled', ml: 30, on: 'floor' } })
  await goOnUntil(page, job)
  await record(page, job, { type: 'check-proved', check: 'joints-dry', passed: false, note: 'wet at rr' })
  await visit(page, `${job}/trace`)
  await expect(page.getByText('Done: Cover the paint')).toBeVisible()
  const bleeder = page.locator('details').filter({ hasText: /at rr, [\d.]+ mL out, done/ })
  await expect(bleeder).toContainText('1 thing went wrong')
  await expect(bleeder.getByText('rr finished')).toBeHidden()
  await bleeder.locator('summary').focus()
  await page.keyboard.press('Enter')
  await expect(bleeder.getByText('rr finished')).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByLabel('Only what went wrong').check()
  await expect(page.getByText('2 acts of')).toBeVisible()
  await expect(page.getByText('30 mL spilled')).toBeVisible()
  await expect(page.getByText('wet at rr')).toBeVisible()
  await expect(page.getByText('rr finished')).toHaveCount(0)
  await page.setViewportSize({ width: 390, height: 844 })
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await visit(page, `${job}/record`)
  await expect(page.getByText('FAILED, wet at rr; nothing was written down about it.')).toBeVisible()
})

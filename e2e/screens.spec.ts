import { readFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
import { accessibilityFaults, expect, test, visit } from './journey'

const plates = { checkIn: 'SKU 30', plan: 'GNT 212' }

test.describe('what is not there', () => {
  test.use({ expectedFailures: [/status of 404/] })
  test('an unknown job, vehicle or address has a page of its own', async ({ page }) => {
    for (const path of ['/jobs/nobody', '/jobs/nobody/plan', '/vehicles/nobody', '/elsewhere']) {
      await visit(page, path)
      await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible()
      expect(await accessibilityFaults(page)).toEqual([])
    }
  })
})

test.describe('a form that fails', () => {
  test('keeps what was typed, says so beside the field, and puts the focus on the first fault', async ({
    page,
  }) => {
    await visit(page, '/')
    await page.getByRole('link', { name: plates.checkIn }).first().click()
    await page
      .getByLabel(/^In .* now/)
      .first()
      .fill('plenty')
    await page.getByLabel('Odometer').fill('39150')
    await page.getByRole('button', { name: 'Checked in' }).click()
    await expect(page.getByText('Say why it is here.')).toBeVisible()
    await expect(page.getByText('Give a number, like 3.1 or 3,1.')).toBeVisible()
    await expect(page.getByLabel(/^In .* now/).first()).toHaveValue('plenty')
    await expect(page.getByLabel('Odometer')).toHaveValue('39150')
    await expect(page.getByLabel('Routine exchange')).toBeFocused()
  })
})

test('an unknown fluid stops the plan until it is settled, and every figure stays away', async ({ page }) => {
  await visit(page, '/vehicles')
  await page.getByRole('link', { name: 'MRM 61' }).click()
  await page.getByRole('button', { name: 'Start a job' }).click()
  await page.getByLabel('Hydraulic repair').check()
  await page.getByLabel('Purple or red layer').check()
  await page.getByLabel('Not known').check()
  await page.getByRole('button', { name: 'Checked in' }).click()
  await page.getByLabel('No reading taken').check()
  await page.getByLabel('Why not?').fill('drop test first')
  await page.getByRole('button', { name: 'Tested' }).click()
  await expect(page.getByRole('heading', { name: 'Stop: settle this first' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Take this plan' })).toBeHidden()
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByRole('link', { name: 'Correct the check-in' }).click()
  await page.getByLabel('As called for: DOT 3').check()
  await page.getByRole('button', { name: 'Correct the check-in' }).click()
  await page.getByRole('button', { name: 'test' }).click()
  await expect(page.getByRole('button', { name: 'Take this plan' })).toBeVisible()
})

test('the shop’s temperature moves the plan', async ({ page }) => {
  const usual = async (tempC: string) => {
    await visit(page, '/settings')
    await page.getByLabel('Usual temperature').fill(tempC)
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('Saved.')).toBeVisible()
  }
  await usual('4')
  await visit(page, '/')
  await page.getByRole('link', { name: plates.plan }).first().click()
  await expect(page.getByLabel('Shop, °C')).toHaveValue('4')
  await page.getByLabel('Shop, °C').fill('0')
  await page.getByLabel('Method', { exact: true }).selectOption('vacuum')
  await expect(page.getByLabel('The plan in short')).toContainText('Vacuum at the bleeder')
  await usual('20')
})

test('the first screen asks for no more script than it needs: under 120 kB, gzipped', async ({ page }) => {
  const asked: string[] = []
  page.on('request', (request) => asked.push(new URL(request.url()).pathname))
  await visit(page, '/')
  const scripts = asked.filter((path) => path.endsWith('.js'))
  const bytes = scripts.map((path) => gzipSync(readFileSync(`build/client${path}`)).length)
  expect(scripts.length).toBeGreaterThan(5)
  expect(bytes.reduce((sum, each) => sum + each, 0)).toBeLessThan(120_000)
})

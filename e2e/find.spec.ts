import type { Page } from '@playwright/test'
import { accessibilityFaults, expect, test, visit } from './journey'

const shares = (page: Page) => page.getByRole('region', { name: 'What it may be' })
const question = (page: Page) => page.locator('#next-look')

async function says(page: Page, answer: string): Promise<void> {
  const before = await question(page).textContent()
  await page.getByRole('button', { name: answer, exact: true }).click()
  await expect(question(page)).not.toHaveText(before ?? '')
}

async function complains(page: Page, plate: string, of: string): Promise<void> {
  await visit(page, '/find')
  const vehicle = page.getByLabel('Which vehicle')
  const option = await vehicle.locator('option', { hasText: plate }).first().getAttribute('value')
  await vehicle.selectOption(option)
  await page.getByRole('button', { name: 'Take this one' }).click()
  await page.getByRole('button', { name: of }).click()
}

test('all four wheels drag: level, floor and rod before any part', async ({ page }) => {
  await complains(page, 'GNT 107', 'All wheels drag')
  await expect(question(page)).toContainText('where does the fluid stand?')
  expect(await accessibilityFaults(page)).toEqual([])
  await shot(page, 'drag-1')
  await says(page, 'At MAX or near')
  await shot(page, 'drag-2')
  await says(page, 'Dry everywhere')
  await expect(question(page)).toContainText('Feel the play between pushrod and piston')
  await says(page, 'No play')
  await expect(shares(page).getByRole('listitem').first()).toContainText('pushrod too tight')
  await expect(question(page)).toContainText('Set the pushrod’s play')
  await shot(page, 'drag-3')
  expect(await accessibilityFaults(page)).toEqual([])
})

async function shot(page: Page, name: string) {
  if (!process.env.SHOTS) return
  await page.waitForTimeout(500)
  await page.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: process.env.SHOTS === 'full' })
}

test('pictures', async ({ page }) => {
  test.skip(!process.env.SHOTS)
  await visit(page, '/find')
  await shot(page, 'complaints')
  await complains(page, 'GNT 107', 'Soft: it gives')
  await says(page, 'At MAX or near')
  await says(page, 'Dry everywhere')
  await shot(page, 'soft-3')
  await page.emulateMedia({ colorScheme: 'dark' })
  await page.setViewportSize({ width: 390, height: 844 })
  await shot(page, 'soft-dark-390')
})

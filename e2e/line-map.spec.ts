import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { accessibilityFaults, expect, test, visit } from './journey'

const openVan = async (page: Page) => {
  await visit(page, '/vehicles')
  await page.getByRole('link', { name: 'GNT 107' }).click()
  await expect(page.getByRole('img', { name: /from above/ })).toBeVisible()
}
const drawingOf = (page: Page) => page.locator('.lm-sheet > g')

test('the map is moved by buttons, wheel and keys, and the page still scrolls past it', async ({ page }) => {
  await openVan(page)
  const map = page.getByRole('group', { name: /Line map/ })
  const drawing = drawingOf(page)
  await map.hover()
  await page.mouse.wheel(0, 400)
  await expect.poll(() => page.evaluate(() => scrollY)).toBeGreaterThan(0)
  await expect(drawing).not.toHaveAttribute('transform')
  await map.focus()
  await map.hover()
  await page.mouse.wheel(0, -400)
  await expect(drawing).toHaveAttribute('transform', /scale/)
  await page.keyboard.press('0')
  await expect(drawing).not.toHaveAttribute('transform')
  await page.keyboard.press('+')
  await page.keyboard.press('+')
  const before = await drawing.getAttribute('transform')
  await page.keyboard.press('ArrowRight')
  await expect(drawing).not.toHaveAttribute('transform', before ?? '')
  await page.getByRole('button', { name: 'All of it' }).click()
  await expect(drawing).not.toHaveAttribute('transform')
  await page.getByRole('button', { name: 'Larger' }).click()
  await expect(drawing).toHaveAttribute('transform', /scale/)
  expect(await accessibilityFaults(page)).toEqual([])
})

test('everything on it is there in words, and lengths on demand', async ({ page }) => {
  await openVan(page)
  await page.getByText('The map as a list').click()
  const list = page.locator('details').filter({ hasText: 'The map as a list' })
  await expect(list).toContainText('rear right caliper (rear right brake)')
  await expect(list).toContainText('RR on the rear right caliper, run 6.50 m')
  await expect(list).toContainText('keeps air that only flow, or its own routine, carries off')
  const lengths = page.getByRole('img', { name: /from above/ }).getByText('4.60 m', { exact: true })
  await expect(lengths).toHaveCount(0)
  await page.getByRole('button', { name: 'Lengths' }).click()
  await expect(lengths).toBeVisible()
})

test('it goes out as SVG and PNG, whole and with its look, however it stands on the screen', async ({
  page,
}) => {
  await openVan(page)
  await page.getByRole('button', { name: 'Larger' }).click()
  const saved = async (name: string) => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name, exact: true }).click(),
    ])
    return { name: download.suggestedFilename(), bytes: readFileSync(await download.path()) }
  }
  const svg = await saved('SVG')
  expect(svg.name).toMatch(/^[a-z0-9-]+\.svg$/)
  expect(svg.bytes.toString()).toContain('.lm-circuit-1')
  expect(svg.bytes.toString()).not.toContain('scale(')
  const png = await saved('PNG')
  expect([...png.bytes.subarray(1, 4)].map((code) => String.fromCharCode(code)).join('')).toBe('PNG')
  expect(png.bytes.readUInt32BE(16)).toBe(1600)
})

test('on a phone it fits the width', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openVan(page)
  await expect.poll(() => page.evaluate(() => document.documentElement.scrollWidth)).toBe(390)
})

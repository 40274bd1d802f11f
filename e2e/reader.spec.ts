import type { Page } from '@playwright/test'
import { benchPages } from '~core/calculators'
import { DemoServer } from '../test/http/server'
import { test as base, expect, visit } from './journey'

/** The demo world begun on a machine ten hours ahead of Greenwich: a first start takes the machine's zone. */
const test = base.extend<object, { server: DemoServer }>({
  server: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright reads the first parameter's pattern for what a fixture needs
    async ({}, use) => {
      const server = await DemoServer.start(undefined, { through: ['env', 'TZ=Australia/Brisbane'] })
      await use(server)
      await server.end()
    },
    { scope: 'worker', timeout: 60_000 },
  ],
})

/** Metric amounts, and times of another place, that a page says to somebody who reads neither. */
async function foreign(page: Page): Promise<string[]> {
  const text = await page.locator('body').evaluate((body) => {
    const walker = document.createTreeWalker(body, NodeFilter.SHOW_TEXT)
    const said: string[] = []
    for (let node = walker.nextNode(); node; node = walker.nextNode())
      if (!node.parentElement?.closest('script, style')) said.push(node.textContent ?? '')
    // A number and its unit may stand in neighbouring pieces of text.
    return [said.join('\n'), said.join(' ')].join('\n')
  })
  const metric = /[^\n]{0,60}(?:(?<![\w.])(?:mL|kPa|N·m)(?![\w])|°C|\d ?km\b|\bUTC\b)[^\n]{0,40}/g
  return [...new Set(text.match(metric) ?? [])]
}

test.describe('somebody in US units, in a shop at UTC+10', () => {
  test.beforeEach(async ({ page }) => {
    await visit(page, '/units')
    const shops = page.locator('form').filter({ hasText: 'The shop’s' }).filter({ hasText: 'All US' })
    await shops.getByRole('button', { name: 'All US' }).click()
    await expect(shops.getByText('Saved.')).toBeVisible()
  })

  test('reads no mL, kPa, N·m, km, °C and no UTC on any screen, card, tag, label or record', async ({
    page,
  }) => {
    test.setTimeout(240_000)
    await expect(page.getByLabel('The shop’s time zone')).toHaveValue('Australia/Brisbane')
    const jobs: string[] = []
    await visit(page, '/')
    for (const plate of ['SKU 30', 'GNT 212', 'GNT 107'])
      jobs.push((await page.getByRole('link', { name: plate }).first().getAttribute('href')) ?? '')
    const [checkIn, plan, bleed] = jobs
    await visit(page, '/vehicles')
    const vehicle = await page.getByRole('link', { name: 'MRM 61' }).getAttribute('href')
    await visit(page, '/logbook')
    const record = await page.getByRole('link', { name: 'MRM 61' }).getAttribute('href')
    const screens = [
      '/',
      '/vehicles',
      vehicle,
      `${vehicle}/fluid`,
      '/logbook',
      // The record itself stands in the words and units in which it was filed.
      record?.replace(/record$/, 'trace'),
      '/due',
      '/shelf',
      '/shelf/labels',
      '/policy',
      '/settings',
      '/practice',
      ...benchPages.map(({ id }) => `/bench/${id}`),
      `${checkIn}/check-in`,
      `${plan}/test`,
      `${plan}/plan`,
      `${plan}/card`,
      `${bleed}/bleed`,
      `${bleed}/card`,
      `${bleed}/from-paper`,
      `${bleed}/prove`,
      `${bleed}/file`,
      `${bleed}/find?complaint=soft-pedal`,
      `${bleed}/sheets`,
      `${bleed}/sheets/line/front%20left%20line`,
      `${bleed}/sheets/hose/front%20left%20line`,
      '/find?complaint=low-level&found=wet-places.dry',
      `${bleed}/tag`,
      `${bleed}/trace`,
      `${bleed}/record`,
    ]
    const found: Record<string, string[]> = {}
    for (const screen of screens) {
      await visit(page, screen ?? '')
      if (screen?.includes('find?')) await page.locator('#next-look').waitFor()
      const said = await foreign(page)
      if (said.length > 0) found[screen ?? ''] = said
    }
    expect(found).toEqual({})
  })
})

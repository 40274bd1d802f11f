import type { Page } from '@playwright/test'
import { harbourTug } from '~test/worlds/harbour-tug'
import { hoseOn } from '../test/http/job'
import { accessibilityFaults, expect, test } from './journey'
import { plannedOn } from './set-up'
import { goOnUntil, linkPhone } from './steps'

/** A browser without a monitor has no voices: what would be said is written down, and never comes to an end. */
const listen = (page: Page) =>
  page.addInitScript(() => {
    const said: string[] = []
    Object.assign(window, { said })
    window.speechSynthesis.speak = (each) => said.push(`${each.lang} ${each.text}`)
  })
const said = (page: Page): Promise<string[]> =>
  page.evaluate(() => (window as unknown as { said: string[] }).said)

test('the calls are said in each one’s language once somebody asks for it, and no call waits for the voice', async ({
  page,
  browser,
  server,
}) => {
  await listen(page)
  const job = await plannedOn(page, harbourTug, 'EAR 1')
  await goOnUntil(page, job, hoseOn)
  const context = await browser.newContext({ baseURL: server.url, locale: 'de-DE' })
  await linkPhone(page, context.request, server.url)
  await page.keyboard.press('Escape')
  const cab = await context.newPage()
  await listen(cab)
  await cab.goto('/cab/screen')
  await expect(page.getByRole('button', { name: 'Cab phone: ● linked' })).toBeVisible()
  const word = cab.getByRole('heading', { level: 1 })

  await page.getByRole('button', { name: 'Call PRESS' }).click()
  await expect(word).toHaveText('TRETEN')
  expect([await said(page), await said(cab)]).toEqual([[], []])
  await cab.getByRole('switch', { name: 'Stimme' }).click()
  await expect(cab.getByText('Dieser Browser hat keine Stimme.')).toBeVisible()
  expect(await accessibilityFaults(cab)).toEqual([])
  await cab.getByRole('button', { name: 'Ist hart, ich halte' }).click()
  await expect(word).toHaveText('HALTEN')
  expect(await said(cab)).toEqual(['de Stimme', 'de HALTEN'])

  await page.getByRole('switch', { name: 'Voice' }).click()
  await page.getByRole('switch', { name: 'Sound' }).click()
  await page.getByRole('button', { name: 'It is open' }).click()
  await expect.poll(() => said(page)).toContain('en Flow has stopped? Close it.')
  // Remembered on this device, and on this one alone.
  await page.reload()
  await expect(page.getByRole('switch', { name: 'Voice' })).toBeChecked()
  await cab.reload()
  await expect(cab.getByRole('switch', { name: 'Ton' })).not.toBeChecked()
  await expect(cab.getByRole('switch', { name: 'Stimme' })).toBeChecked()
  await page.goto('about:blank')
  await context.close()
})

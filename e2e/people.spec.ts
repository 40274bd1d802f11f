import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DemoServer } from '../test/http/server'
import { accessibilityFaults, expect, test, visit } from './journey'

test.describe('nobody has said who they are', () => {
  test.use({ person: null, expectedFailures: [/status of 400/] })

  test('no page is shown and no event taken; the way back leads to what was asked for', async ({
    page,
    request,
    server,
  }) => {
    const event = await request.post('/jobs/any/events', { headers: { Origin: server.url }, data: {} })
    expect(event.status()).toBe(401)
    await visit(page, '/logbook')
    await expect(page.getByRole('heading', { name: 'Who is at this screen?' })).toBeVisible()
    expect(await accessibilityFaults(page)).toEqual([])
    await page.getByText('Ilse Marrow').click()
    await page.getByLabel('Your own PIN').fill('1111')
    await page.getByRole('button', { name: 'It is me' }).click()
    await expect(page.getByRole('alert')).toContainText('4 tries before it locks')
    await page.getByLabel('Your own PIN').fill('3095')
    await page.getByRole('button', { name: 'It is me' }).click()
    await expect(page).toHaveURL(/logbook$/)
    await expect(page.getByRole('link', { name: 'Ilse Marrow' })).toBeVisible()
  })

  test('an address elsewhere is never the way back', async ({ page }) => {
    await visit(page, '/who?to=//evil.example/')
    await expect(page.locator('input[name="to"]')).toHaveValue('/')
  })

  test('five wrong PINs lock that person out, and nobody else', async ({ page }) => {
    await visit(page, '/who')
    await page.getByText('Ilse Marrow').click()
    for (let i = 0; i < 5; i++) {
      await page.getByLabel('Your own PIN').fill(`000${i}`)
      await page.getByRole('button', { name: 'It is me' }).click()
      await expect(page.getByRole('button', { name: 'It is me' })).toBeEnabled()
      await expect(page.getByRole('alert')).toBeVisible()
    }
    await expect(page.getByRole('alert')).toContainText('locked here for 5 min')
    await page.getByText('Osk Teller').click()
    await page.getByLabel('Your own PIN').fill('2816')
    await page.getByRole('button', { name: 'It is me' }).click()
    await expect(page.getByRole('heading', { name: 'Yard' })).toBeVisible()
  })

  test('in a new shop the first person adds themselves, and then the others', async ({ page }) => {
    const empty = await DemoServer.start(mkdtempSync(join(tmpdir(), 'siphon-')), { demo: false })
    await visit(page, `${empty.url}/`)
    await page.getByLabel('Your name').fill('Mo Kettle')
    await page.getByLabel('The code from where this program was started').fill(empty.firstCode)
    await page.getByLabel('A PIN of 4 to 8 digits').fill('12')
    await page.getByRole('button', { name: 'Add me' }).click()
    await expect(page.getByRole('alert')).toHaveText('A PIN is 4 to 8 digits.')
    await expect(page.getByLabel('Your name')).toHaveValue('Mo Kettle')
    await page.getByLabel('The code from where this program was started').fill(empty.firstCode)
    await page.getByLabel('A PIN of 4 to 8 digits').fill('1284')
    await page.getByRole('button', { name: 'Add me' }).click()
    await expect(page.getByText('Nothing is in.')).toBeVisible()
    expect(await accessibilityFaults(page)).toEqual([])
    await visit(page, `${empty.url}/people`)
    await page.getByLabel('Name', { exact: true }).fill('Ada Furrow')
    await page.getByLabel('Their own PIN').fill('4821')
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    await expect(page.getByText('Ada Furrow')).toBeVisible()
    expect(await accessibilityFaults(page)).toEqual([])
    await page.getByRole('button', { name: 'Ada Furrow, no longer here' }).click()
    await expect(page.getByText('Ada Furrow')).toBeHidden()
    await empty.end()
  })
})

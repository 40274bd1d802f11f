import { readdirSync, rmSync, utimesSync } from 'node:fs'
import { join } from 'node:path'
import { newId } from '~/lib/ids'
import { verifyExport } from '~core/ledger/export-file'
import { hoseOn } from '../test/http/job'
import { DemoServer } from '../test/http/server'
import { signIn } from '../test/http/sign-in'
import { accessibilityFaults, expect, reload, serverGone, test, visit } from './journey'
import { goOnUntil, holdClosed, savedState } from './steps'

/** The newest filed record of the demo. */
const aRecord = /href="(\/jobs\/\w+\/record)"/

test('a certificate fits on one page of A4 and of Letter, and its code leads a stranger to what the logbook says of it', async ({
  page,
  browser,
  request,
}) => {
  const record = aRecord.exec(await (await request.get('/logbook')).text())?.[1] ?? ''
  await visit(page, record)
  await page.getByRole('link', { name: 'Customer’s certificate' }).click()
  await expect(page.getByRole('heading', { name: 'Brake service certificate' })).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
  for (const format of ['A4', 'Letter']) {
    const pdf = (await page.pdf({ format })).toString('latin1')
    expect(pdf.match(/\/Type\s*\/Page\b/g)).toHaveLength(1)
  }
  const plate = await page.locator('.plate').textContent()
  const address = (await page.locator('footer strong').textContent()) ?? ''
  const elsewhere = await browser.newContext()
  const stranger = await elsewhere.newPage()
  await stranger.goto(address)
  await expect(stranger.getByRole('heading', { name: 'The logbook has this certificate' })).toBeVisible()
  await expect(stranger.locator('.plate')).toHaveText(plate ?? '')
  expect(await accessibilityFaults(stranger)).toEqual([])
  const wrong = await stranger.goto(address.replace(/.$/, (last) => (last === '0' ? '1' : '0')))
  expect(wrong?.status()).toBe(404)
  await elsewhere.close()
})

test('a record’s file is checked by a page that is one file and asks for nothing; one digit changed is found', async ({
  page,
  request,
}) => {
  const record = aRecord.exec(await (await request.get('/logbook')).text())?.[1] ?? ''
  const text = await (await request.get(`${record}.jsonl`)).text()
  expect(verifyExport(text)).toMatchObject({ valid: true, scope: 'record', records: 1 })
  const asked: string[] = []
  await page.goto('/verify.html')
  page.on('request', (each) => asked.push(each.url()))
  const give = (content: string) =>
    page
      .locator('#file')
      .setInputFiles({ name: 'record.jsonl', mimeType: 'application/jsonl', buffer: Buffer.from(content) })
  await give(text)
  await expect(page.getByRole('heading', { name: '✓ Sound' })).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
  const altered = text.replace('"at":"20', '"at":"21')
  expect(altered).not.toBe(text)
  await give(altered)
  await expect(page.getByRole('heading', { name: '✗ Not as it was written' })).toBeVisible()
  await expect(page.getByRole('status')).toContainText(/line \d+/)
  expect(asked).toEqual([])
})

test('a backup that is overdue is said in the yard and on the Shop page, and made there', async ({
  page,
}) => {
  const server = await DemoServer.start()
  await signIn(page.request, server.url)
  const dir = join(server.dataDir, 'backups')
  await expect.poll(() => readdirSync(dir).filter((name) => name.endsWith('.backup'))).toHaveLength(1)
  const threeDaysAgo = Date.now() / 1000 - 3 * 86_400
  for (const name of readdirSync(dir)) utimesSync(join(dir, name), threeDaysAgo, threeDaysAgo)
  await visit(page, `${server.url}/`)
  await expect(page.getByRole('alert')).toContainText('Backup overdue. Last: 3 days ago')
  await visit(page, `${server.url}/settings`)
  await expect(page.getByRole('alert')).toContainText('Backup overdue')
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByRole('button', { name: 'Back up now' }).click()
  await expect(page.getByText('less than an hour ago')).toBeVisible()
  rmSync(dir, { recursive: true })
  await server.end()
})

test.describe('the program is renewed under an open bay', () => {
  test.use({
    expectedFailures: [serverGone],
  })

  test('what is done meanwhile is kept and counts; the page loads anew at rest, and not in mid-call', async ({
    page,
  }) => {
    const server = await DemoServer.start()
    await signIn(page.request, server.url)
    await visit(page, `${server.url}/`)
    const job = `${server.url}${await page.getByRole('link', { name: 'GNT 107' }).first().getAttribute('href')}`
    await goOnUntil(page, job, hoseOn)
    await page.getByRole('button', { name: 'Call PRESS' }).click()
    await expect(page.getByText('● saved')).toBeVisible()
    const before = (await savedState(page, job)).length
    let loads = 0
    page.on('load', () => loads++)
    await server.stop()
    await page.getByRole('button', { name: 'The cab says: holding' }).click()
    await server.run({ SIPHON_BUILD: 'another' })
    await expect(page.getByText('The program was renewed')).toBeVisible({ timeout: 20_000 })
    await page.getByRole('button', { name: 'It is open' }).click()
    await expect(page.getByText('● saved')).toBeVisible()
    expect(loads).toBe(0)
    await holdClosed(page)
    await page.getByRole('button', { name: 'pedal is up' }).click()
    await expect.poll(() => loads, { timeout: 15_000 }).toBe(1)
    await expect(page.getByText('● saved')).toBeVisible()
    expect((await savedState(page, job)).length).toBe(before + 4)
    await server.end()
  })
})

test.describe('an act that no server can read', () => {
  test.use({ expectedFailures: [RegExp(`${serverGone.source}|status of 400`)] })

  test('is set aside with what was done, and nothing that follows it waits', async ({ page }) => {
    const server = await DemoServer.start()
    await signIn(page.request, server.url)
    await visit(page, `${server.url}/`)
    const job = (await page.getByRole('link', { name: 'GNT 107' }).first().getAttribute('href')) ?? ''
    await visit(page, `${server.url}${job}/bleed`)
    // As a page of another release might have left it.
    await page.evaluate(
      ([jobId, id]) =>
        new Promise((done, failed) => {
          const opening = indexedDB.open('ruddy-siphon')
          opening.onerror = failed
          opening.onsuccess = () => {
            const adding = opening.result.transaction('pending', 'readwrite').objectStore('pending')
            const event = { id, at: new Date().toISOString(), type: 'of-another-time', says: 'bled twice' }
            adding.add({ jobId, event }).onsuccess = () => {
              opening.result.close()
              done(undefined)
            }
          }
        }),
      [job.replace('/jobs/', ''), newId()] as const,
    )
    await reload(page)
    await expect(page.getByText('1 act done on this screen is not in the job')).toBeVisible()
    await expect(page.getByText('● saved')).toBeVisible()
    await page.getByText('1 act done on this screen is not in the job').click()
    await expect(page.getByText('bled twice')).toBeVisible()
    expect(await accessibilityFaults(page)).toEqual([])
    await server.end()
  })
})

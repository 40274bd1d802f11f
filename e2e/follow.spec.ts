import { signIn } from '../test/http/sign-in'
import { checkInAndTestByForm } from './by-form'
import { expect, test, visit } from './journey'
import { openJobOn, planTwoPerson } from './set-up'
import { untilFirstBleeder } from './steps'
import { harbourTug } from './vehicles'

test('what is done at the wheel shows in a second tab and on a page at the desk, without being asked', async ({
  page,
  context,
}) => {
  const job = await openJobOn(page, harbourTug, 'FLW 1')
  await planTwoPerson(page)
  await untilFirstBleeder(page)
  const [tab, desk] = [await context.newPage(), await context.newPage()]
  await visit(tab, `${job}/bleed`)
  await visit(desk, `${job}/trace`)
  await page.getByRole('button', { name: 'Hose is on' }).click()
  await page.getByRole('button', { name: 'Call PRESS' }).click()
  await expect(tab.getByText('Press slowly, and hold.')).toBeVisible()
  await expect(desk.getByText('PRESS', { exact: false }).last()).toBeVisible()
})

test('checked in at another screen: an empty form shows it, a typed one keeps what was typed and says so', async ({
  page,
  browser,
  context,
  server,
}) => {
  const job = await openJobOn(page, harbourTug, 'FLW 2')
  await page.getByLabel('Wet places, lamps, what the driver said').fill('lamp on since Monday')
  const empty = await context.newPage()
  await visit(empty, `${job}/check-in`)
  const ilse = await browser.newContext({ baseURL: server.url, locale: 'en-GB' })
  await signIn(ilse.request, server.url, 'Ilse Marrow')
  const hers = await ilse.newPage()
  await visit(hers, `${job}/check-in`)
  await checkInAndTestByForm(hers)
  await expect(empty.getByLabel('Brown', { exact: true })).toBeChecked()
  await expect(empty.getByRole('button', { name: 'Correct the check-in' })).toBeVisible()
  await expect(page.getByText('Ilse Marrow went on with this job at another screen.')).toBeVisible()
  await expect(page.getByLabel('Wet places, lamps, what the driver said')).toHaveValue('lamp on since Monday')
  await page.getByRole('button', { name: 'Drop what I typed' }).click()
  await expect(page.getByLabel('Brown', { exact: true })).toBeChecked()
  await expect(page.getByLabel('Wet places, lamps, what the driver said')).toHaveValue('')
  await ilse.close()
})

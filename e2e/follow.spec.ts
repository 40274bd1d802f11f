import { signIn } from '../test/http/sign-in'
import { checkInAndTestByForm } from './by-form'
import { expect, test, visit } from './journey'
import { openJobOn, planTwoPerson } from './set-up'
import { hearsNothing, linkPhone, savedState, untilFirstBleeder } from './steps'
import { harbourTug } from './vehicles'

test('what is done at the wheel shows on a page at the desk as it happens, without being asked', async ({
  page,
  context,
}) => {
  const job = await openJobOn(page, harbourTug, 'FLW 1')
  await planTwoPerson(page)
  await untilFirstBleeder(page)
  const { length } = await savedState(page, job)
  const desk = await context.newPage()
  await visit(desk, `${job}/trace`)
  await expect(desk.getByText(`Every act: ${length} of them`)).toBeVisible()
  await page.getByRole('button', { name: 'Hose is on' }).click()
  await page.getByRole('button', { name: 'Call PRESS' }).click()
  await expect(desk.getByText(`Every act: ${length + 2} of them`)).toBeVisible()
})

test.describe('a wire that lets only requests through', () => {
  test.use({ expectedFailures: [/ERR_FAILED .*stream/] })

  test('a phone is linked and its stream does not come: nobody is called down or a joint opened on what it may still show', async ({
    page,
    request,
    server,
  }) => {
    const job = await openJobOn(page, harbourTug, 'FLW 3')
    await planTwoPerson(page)
    await untilFirstBleeder(page)
    await page.getByRole('button', { name: 'Hose is on' }).click()
    await linkPhone(page, request, server.url)
    await hearsNothing(page)
    await visit(page, `${job}/bleed`)
    await expect(page.getByRole('button', { name: /phone catches up/ })).toBeDisabled()
  })
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

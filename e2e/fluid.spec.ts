import ICAL from 'ical.js'
import { harbourTug } from '~test/worlds/harbour-tug'
import { stateOf } from '../test/http/job'
import { accessibilityFaults, expect, test, visit } from './journey'
import { openJobOn } from './set-up'
import { Tester } from './tester'

const today = () => new Date().toISOString().slice(0, 10)

test.describe('with a tester on the shop’s port', () => {
  let tester: Tester
  test.beforeEach(async ({ page }) => {
    tester = await Tester.start()
    await visit(page, '/policy')
    await page.getByLabel('Port of the fluid tester').fill(String(tester.port))
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('Saved.')).toBeVisible()
  })
  test.afterEach(() => tester.end())

  test('read now takes the kind and the value from the instrument, judges it, and the record says so', async ({
    page,
  }) => {
    await tester.dials({ kind: 'boiling-sampler', waterPct: 3.7, seconds: 0.2 })
    const job = await openJobOn(page, harbourTug, 'RDG 1')
    await page.getByLabel('Routine exchange').check()
    await page.getByLabel('Brown', { exact: true }).check()
    await page.getByRole('button', { name: 'Checked in' }).click()
    await page.getByRole('button', { name: 'Read now' }).click()
    await expect(page.getByText('Read from the boiling sampler.')).toBeVisible()
    await expect(page.getByLabel('The tester shows')).toHaveValue('155')
    await expect(page.getByText('Replace it').first()).toBeVisible()
    await expect(page.getByRole('row', { name: /decided/ })).toContainText('wet boiling point')
    expect(await accessibilityFaults(page)).toEqual([])
    await page.getByRole('button', { name: 'Tested' }).click()
    await expect(page).toHaveURL(/plan/)
    const { tested } = await stateOf(page.request, job)
    expect(tested?.readings).toEqual([
      { tester: 'boiling-sampler', value: 155, at: 'reservoir', byInstrument: true },
    ])
    expect(tested?.judged?.decidedBy).toBe('boiling')
    await visit(page, `${job}/record`)
    await expect(
      page.getByText('boils at 155 °C, from the reservoir, by boiling sampler, read from it'),
    ).toBeVisible()
  })

  test('pulled in mid-reading it gives nothing, says so, loses nothing typed, and a second try works', async ({
    page,
  }) => {
    await tester.dials({ kind: 'percent-meter', waterPct: 1.2, seconds: 30 })
    const job = await openJobOn(page, harbourTug, 'RDG 2')
    await page.getByLabel('Routine exchange').check()
    await page.getByLabel('Brown', { exact: true }).check()
    await page.getByRole('button', { name: 'Checked in' }).click()
    await page.getByLabel('Which instrument').fill('number 7')
    await page.getByRole('button', { name: 'Read now' }).click()
    await expect(page.getByText('10 %')).toBeVisible()
    await tester.plug()
    await expect(page.getByText('unplugged before it had finished')).toBeVisible()
    await expect(page.getByLabel('The tester shows')).toHaveValue('')
    await page.getByRole('button', { name: 'Read now' }).click()
    await expect(page.getByText('No tester answers here')).toBeVisible()
    await tester.plug()
    await page.getByRole('button', { name: 'Read now' }).click()
    await page.getByRole('button', { name: 'Stop reading' }).click()
    await expect(page.getByText('Stopped. Nothing was taken')).toBeVisible()
    await tester.dials({ seconds: 0.1 })
    await page.getByRole('button', { name: 'Read now' }).click()
    await expect(page.getByLabel('The tester shows')).toHaveValue('1.2')
    await expect(page.getByLabel('Which instrument')).toHaveValue('number 7')
    await page.getByLabel('The tester shows').fill('1.3')
    await expect(page.getByText('Read from the percentage meter.')).toBeHidden()
    await page.getByRole('button', { name: 'Tested' }).click()
    await expect(page).toHaveURL(/plan/)
    const { tested } = await stateOf(page.request, job)
    expect(tested?.readings).toEqual([{ tester: 'percent-meter', value: 1.3, at: 'reservoir' }])
  })

  test('its own page has the dials', async ({ page }) => {
    await page.goto(tester.pageUrl)
    await page.getByLabel('Water it truly holds').fill('3')
    await page.getByLabel('It is a').selectOption('percent-meter')
    await page.getByRole('button', { name: 'Unplug it' }).click()
    await expect(page.getByText('unplugged', { exact: true })).toBeVisible()
    expect(await accessibilityFaults(page)).toEqual([])
  })
})

test('a boiled sample counts beside a meter that says otherwise; good ones together keep the fluid, and the job is filed so', async ({
  page,
}) => {
  const job = await openJobOn(page, harbourTug, 'RDG 3')
  await page.getByLabel('Routine exchange').check()
  await page.getByLabel('Amber', { exact: true }).check()
  await page.getByRole('button', { name: 'Checked in' }).click()
  await page.getByLabel('The tester shows').fill('0,8')
  await page.getByRole('button', { name: 'Add a second reading' }).click()
  await page.getByLabel('The second tester shows').fill('150')
  await expect(page.getByText('A sample was boiled, so it counts')).toBeVisible()
  await expect(page.getByText('Replace it').first()).toBeVisible()
  await page.getByLabel('The second tester shows').fill('195')
  await expect(page.getByText('Keep it').first()).toBeVisible()
  await page.getByRole('button', { name: 'Tested' }).click()
  await expect(page).toHaveURL(/plan/)
  await visit(page, `${job}/file`)
  await expect(page.getByLabel('The fluid is kept')).toBeChecked()
  await page.getByRole('button', { name: 'File it' }).click()
  await expect(page.getByText('○ Fluid kept: nothing done')).toBeVisible()
})

test.describe('what the server refuses', () => {
  test.use({ expectedFailures: [/status of 400 .*(policy|fluid)\.data$/] })
  test('another policy moves the due list, and what is wrong in it is said beside its field', async ({
    page,
  }) => {
    const likely = async () => {
      await visit(page, '/due')
      return page.getByRole('listitem').filter({ hasText: 'PUF 18' }).textContent()
    }
    const before = await likely()
    await visit(page, '/policy')
    await page.getByLabel('Time in service, every vehicle').fill('soon')
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('Give a number, “off”, or nothing.')).toBeVisible()
    await expect(page.getByLabel('Time in service, every vehicle')).toHaveValue('soon')
    await page.getByLabel('Time in service, every vehicle').fill('24')
    await page.getByRole('button', { name: 'Other limits for a kind or a fluid' }).click()
    await page.getByLabel('Kind, row 2').selectOption('van')
    await page.getByLabel('Time in service, row 2').fill('9')
    expect(await accessibilityFaults(page)).toEqual([])
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('Saved.')).toBeVisible()
    const after = await likely()
    expect(after).toContain('every 9 months')
    expect(after).not.toBe(before)
    expect(await accessibilityFaults(page)).toEqual([])
    await visit(page, '/policy')
    await page.getByRole('button', { name: 'Take row 2 out' }).click()
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('Saved.')).toBeVisible()
    expect(await likely()).toBe(before)
  })

  test('three years of history are on the screen and on paper, and what was before is written down', async ({
    page,
  }) => {
    await visit(page, '/vehicles')
    await page.getByRole('link', { name: 'GNT 107' }).click()
    await page.getByRole('link', { name: 'Fluid: readings and due' }).click()
    await expect(
      page.getByRole('img', { name: /Water in the fluid over time.*fitted to this vehicle’s own readings/ }),
    ).toBeVisible()
    await expect(page.getByRole('listitem').filter({ hasText: 'All fluid exchanged' })).toHaveCount(2)
    expect(await accessibilityFaults(page)).toEqual([])
    for (const format of ['A4', 'Letter'] as const) {
      const pdf = await page.pdf({ format })
      expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)?.length).toBeLessThanOrEqual(2)
    }
    const reading = page.getByRole('form', { name: 'An earlier reading' })
    await reading.getByLabel('It showed').fill('2,2')
    await reading.getByRole('button').click()
    await expect(page.getByText('Give a day up to today.')).toBeVisible()
    await expect(reading.getByLabel('It showed')).toHaveValue('2,2')
    await reading.getByLabel('On', { exact: true }).fill(today())
    await reading.getByRole('button').click()
    await expect(page.getByText('2.2 % water, reservoir')).toBeVisible()
  })
})

test('the due list as a calendar file: to download, and for whoever holds the address until it is renewed', async ({
  page,
  playwright,
}) => {
  await visit(page, '/due')
  const file = await (await page.request.get('/due.ics')).text()
  const shown = await page
    .getByRole('listitem')
    .filter({ has: page.getByRole('img') })
    .count()
  expect(new ICAL.Component(ICAL.parse(file)).getAllSubcomponents('vevent').length).toBe(shown)
  const address = (await page.getByText(/\/calendar\/.*\.ics/).textContent()) ?? ''
  const stranger = await playwright.request.newContext()
  expect(await (await stranger.get(address)).text()).toContain('BEGIN:VEVENT')
  expect((await stranger.get(address.replace(/.{4}\.ics$/, 'AAAA.ics'))).status()).toBe(404)
  expect((await stranger.get(new URL('/due.ics', address).href)).url()).toContain('/who')
  await page.getByRole('button', { name: 'Another address' }).click()
  await expect(page.getByRole('status')).toBeVisible()
  expect((await stranger.get(address)).status()).toBe(404)
  await stranger.dispose()
})

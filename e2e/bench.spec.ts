import type { Page } from '@playwright/test'
import { harbourTug } from '~test/worlds/harbour-tug'
import charabanc from '../demo/vehicles/charabanc.json' with { type: 'json' }
import courier from '../demo/vehicles/courier-motorcycle.json' with { type: 'json' }
import postVan from '../demo/vehicles/post-van-lhd.json' with { type: 'json' }
import { hoseOn, stateOf } from '../test/http/job'
import { signIn } from '../test/http/sign-in'
import { accessibilityFaults, expect, reload, test, visit } from './journey'
import { openJobOn } from './set-up'
import { goOnUntil, savedState, takeWay } from './steps'

/** By keyboard alone: to a field, all of it away, something else typed. */
async function typeInto(page: Page, label: string, text: string): Promise<void> {
  await inputOf(page, label).focus()
  await page.keyboard.press('Control+A')
  await page.keyboard.type(text)
}
const inputOf = (page: Page, label: string) => page.getByRole('textbox', { name: label })
const answer = (page: Page) => page.getByLabel('Answer').getByRole('status')

const pages = [
  { id: 'boiling', field: 'Water, %', good: '3,7', says: 'boils at about 155 ± 7 °C', bad: 'wet' },
  { id: 'old-fluid', field: 'Last drops at most', good: '20', says: 'Last drops at most 20 % old', bad: '0' },
  {
    id: 'left-right',
    field: 'Caught on the right',
    good: '120',
    says: 'neither is below half of the other',
    bad: '-5',
  },
  { id: 'temperature', field: 'Temperature', good: '20', says: 'At 20 °C it runs at 1.00', bad: '300' },
  { id: 'pedal', field: 'Line pressure', good: '300 25, 4000 31', says: 'Air: cannot tell', bad: '40' },
  { id: 'bubbles', field: 'Smallest bubble', good: '0.2', says: 'Bubbles of 0.2 mm need 43 s', bad: '0' },
  { id: 'pull', field: 'Foot on the pedal', good: '120', says: 'draws no air', bad: '5' },
  { id: 'sheet', field: 'Level now', good: '300', says: '8 strokes to top-up', bad: '100' },
]

for (const { id, field, good, says, bad } of pages)
  test(`the bench page ${id} by keyboard: a good input moves the answer, a bad one is faulted beside it and loses nothing`, async ({
    page,
  }) => {
    await visit(page, `/bench/${id}`)
    await typeInto(page, field, good)
    await expect(answer(page)).toContainText(says.replaceAll(/(\d) (?=\S)/g, '$1\u00a0'))
    await typeInto(page, field, bad)
    await expect(inputOf(page, field)).toHaveAttribute('aria-invalid', 'true')
    await expect(inputOf(page, field)).toHaveValue(bad)
    await expect(answer(page)).toContainText('Mend what is marked')
    expect(await accessibilityFaults(page)).toEqual([])
    await typeInto(page, field, good)
    await reload(page)
    await expect(inputOf(page, field)).toHaveValue(good)
    await expect(answer(page)).toContainText(says.replaceAll(/(\d) (?=\S)/g, '$1\u00a0'))
  })

for (const { name, says } of [
  { name: charabanc.name, says: { 'left-right': 'Flow of the rear axle', sheet: 'wear takes 10 mL' } },
  { name: courier.name, says: { sheet: 'strokes to top-up', 'old-fluid': 'through the bleeders' } },
  { name: postVan.name, says: { 'left-right': 'Flow of the rear axle', temperature: 'of its speed' } },
])
  test(`every bench page begins from ${name} as its file has it, and answers`, async ({ page }) => {
    for (const { id } of pages) {
      await visit(page, `/bench/${id}`)
      const option = page.getByLabel('Start from').locator('option', { hasText: name }).last()
      await page.getByLabel('Start from').selectOption((await option.getAttribute('value')) ?? '')
      await expect(page).toHaveURL(/vehicle=/)
      await expect(answer(page)).not.toContainText('Mend what is marked')
      const sentence = (says as Record<string, string>)[id]
      if (sentence) await expect(answer(page)).toContainText(sentence.replaceAll(/(\d) (?=\S)/g, '$1\u00a0'))
      await expect(page.locator('[aria-invalid]')).toHaveCount(0)
    }
    await visit(
      page,
      new URL(page.url()).pathname.replace('sheet', 'left-right') +
        new URL(page.url()).search.replace(/&.*/, ''),
    )
    // Only the van has a control unit before its wheels.
    await expect(page.getByLabel('Before these wheels')).toHaveValue(name === postVan.name ? 'unit' : 'pipes')
  })

test('a result is used in a job: its plan changes, says where it came from, and keeps that once taken', async ({
  page,
}) => {
  await openJobOn(page, harbourTug, 'BNC 1')
  await page.getByLabel('Routine exchange').check()
  await page.getByLabel('Brown', { exact: true }).check()
  await page.getByRole('button', { name: 'Checked in' }).click()
  await page.getByLabel('The tester shows').fill('3,2')
  await page.getByRole('button', { name: 'Tested' }).click()
  await expect(page.getByLabel('The plan in short')).toBeVisible()
  await visit(page, '/bench')
  await page.getByRole('link', { name: 'Old fluid left' }).click()
  await page.getByLabel('Start from').selectOption({ label: `BNC 1, ${harbourTug.name}` })
  await expect(page.getByLabel('Reservoir at MAX')).toHaveValue('300')
  await typeInto(page, 'Last drops at most', '2')
  await page.getByRole('link', { name: 'Use in this job: BNC 1' }).click()
  await expect(page.getByText('From the Bench')).toBeVisible()
  await expect(page.getByText('Last drops at most 2 % old take')).toBeVisible()
  await expect(page.getByText('Each bleeder until at most 2 % of what comes out is old')).toBeVisible()
  const job = new URL(page.url()).pathname.replace(/\/plan$/, '')
  await page.getByLabel('Shop, °C').fill('5')
  await expect(page).toHaveURL(/tempC=5/)
  await expect(page.getByText('From the Bench')).toBeVisible()
  await page.getByRole('button', { name: 'Take this plan' }).click()
  await expect(page.getByText('Is this the vehicle in front of you?')).toBeVisible()
  const { state } = await (await page.request.get(`${job}/events`)).json()
  expect(state.planned.shop).toMatchObject({ targetOldPct: 2, tempC: 5 })
  expect(state.planned.fromBench).toMatchObject([
    { page: 'old-fluid', says: { code: 'bench-old-fluid-says' } },
  ])
})

test('what an address carries is worked out again: nonsense carries nothing', async ({ page }) => {
  await visit(page, '/')
  const href = await page.getByRole('link', { name: 'GNT 212' }).first().getAttribute('href')
  await visit(page, `${href}/plan?bench=old-fluid%3FtargetOldPct%3Dabc&bench=nothing%3Fa%3Db&bench=%3F`)
  await expect(page.getByLabel('The plan in short')).toBeVisible()
  await expect(page.getByText('From the Bench')).toBeHidden()
})

test('the plan under what is not known is sampled, and a long sampling is stopped half-way', async ({
  page,
}) => {
  await visit(page, '/')
  const href = await page.getByRole('link', { name: 'GNT 212' }).first().getAttribute('href')
  await visit(page, `${href}/plan`)
  const sure = page.getByRole('region', { name: 'How sure this is' })
  await expect(sure.getByText('4000 samples.')).toBeVisible()
  await expect(sure.getByRole('row', { name: 'New fluid' })).toContainText('mL')
  await sure.getByRole('button', { name: 'Take 400000 samples' }).click()
  await sure.getByRole('button', { name: 'Stop' }).click()
  await expect(sure.getByText(/Stopped after \d+ samples/)).toBeVisible()
  const taken = Number(/Stopped after (\d+)/.exec((await sure.textContent()) ?? '')?.[1])
  expect(taken).toBeGreaterThan(0)
  expect(taken).toBeLessThan(400_000)
})

test.describe('somebody who thinks in ounces and psi', () => {
  test.use({ person: 'Osk Teller' })
  test('sees and types their own units, and the address means the same to the others', async ({
    page,
    browser,
    server,
  }) => {
    await visit(page, '/units')
    await page.getByRole('button', { name: 'All US' }).first().click()
    await expect(page.getByText('Saved.')).toBeVisible()
    await visit(page, '/bench/temperature')
    await typeInto(page, 'Pressure, or vacuum', '15')
    await typeInto(page, 'Temperature', '50')
    await expect(page.getByText('Pressure, or vacuum, psi')).toBeVisible()
    await expect(answer(page)).toContainText('fl oz/min')
    const address = new URL(page.url())
    expect(address.searchParams.get('pressureKPa')).toBe('15 psi')
    const other = await browser.newContext()
    await signIn(other.request, server.url, 'Ilse Marrow')
    const metric = await other.newPage()
    await visit(metric, address.href)
    await expect(inputOf(metric, 'Pressure, or vacuum')).toHaveValue('103.42')
    await expect(inputOf(metric, 'Temperature')).toHaveValue('10')
    await other.close()
    await openJobOn(page, harbourTug, 'OZ 1')
    await page.getByLabel('Routine exchange').check()
    await page.getByLabel('Brown', { exact: true }).check()
    await inputOf(page, 'In the reservoir now').fill('9')
    await page.getByRole('button', { name: 'Checked in' }).click()
    await expect(page.getByLabel('The tester shows')).toBeVisible()
    const job = new URL(page.url()).pathname.replace(/\/test$/, '')
    const { checkIn } = await stateOf(page.request, job)
    expect(checkIn?.levelMl).toBeCloseTo(266.16, 2)
    expect(checkIn?.typed).toEqual({ 'levelMl[0]': '9 fl oz' })
    await page.getByRole('radio', { name: 'Boiling sampler' }).check()
    await page.getByLabel('The tester shows').fill('356')
    await expect(page.getByText(/^boils at 356 °F/)).toBeVisible()
    await page.getByRole('button', { name: 'Tested' }).click()
    await expect(page.getByLabel('The plan in short')).toContainText('fl oz')
    expect((await stateOf(page.request, job)).tested?.readings?.[0]?.value).toBeCloseTo(180, 6)
    await takeWay(page, 'pump-and-hold')
    await page.getByRole('button', { name: 'Take this plan' }).click()
    await expect(page.getByText('Is this the vehicle in front of you?')).toBeVisible()
    await goOnUntil(page, job, hoseOn)
    await page.getByRole('button', { name: 'Level is not so' }).click()
    await page.getByLabel('Or exactly').fill('7')
    await page.getByRole('button', { name: 'Record the level' }).click()
    await expect(page.getByLabel('Counts')).toContainText('fl oz are missing')
    expect((await savedState(page, job)).run?.levelMl.res).toBeCloseTo(207.01, 1)
    await visit(page, `${job}/trace`)
    await expect(page.getByText('(typed: 7 fl oz)')).toBeVisible()
    await visit(page, '/units')
    await page.getByRole('button', { name: 'As the shop' }).click()
    await expect(page.getByText('As the shop has them.')).toBeVisible()
  })
})

test('a pull, slowly: the moment is picked by keyboard, and paper shows it too', async ({ page }) => {
  await visit(page, '/bench/pull')
  const moment = page.getByRole('slider', { name: 'Moment' })
  await moment.focus()
  await page.keyboard.press('Home')
  await expect(page.getByRole('img', { name: 'pedal held down, bleeder closed' })).toBeVisible()
  for (let key = 0; key < 15; key++) await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('img', { name: 'pedal held down, bleeder open' })).toBeVisible()
  await page.getByLabel('End of the pull').selectOption('release-first')
  await expect(answer(page)).toContainText('of air drawn in')
  await page.keyboard.press('End')
  expect(await accessibilityFaults(page)).toEqual([])
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('img', { name: 'bleeder' })).toBeVisible()
})

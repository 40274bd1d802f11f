import { harbourTug } from '~test/worlds/harbour-tug'
import { hoseOn } from '../test/http/job'
import { planTwoPersonByForm } from './by-form'
import { accessibilityFaults, expect, test, visit } from './journey'
import { openJobOn, plannedOn } from './set-up'
import { goOnUntil, hearsNothing, record, savedState } from './steps'
import { example } from './taken'

test('parked with the pedal propped and a bleeder open, resumed by somebody else, and the tag prints on one page', async ({
  page,
}) => {
  const job = await openJobOn(page, harbourTug, 'PRK 1')
  await page.getByLabel('Where does it stand?').fill('Bay 3')
  await planTwoPersonByForm(page)
  await goOnUntil(page, job, ({ run }) => run?.call === 'open')
  await page.getByRole('button', { name: 'Park this job' }).click()
  await page.getByLabel('Why', { exact: true }).fill('shift ends')
  await page.getByRole('button', { name: 'Park it' }).click()
  await expect(page.getByRole('alert')).toContainText('The pedal would come up with the bleeder open')
  await page.getByRole('button', { name: 'Park this job' }).click()
  await page.getByLabel('Why', { exact: true }).fill('shift ends')
  await page.getByLabel('The pedal is propped down').check()
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByRole('button', { name: 'Park it' }).click()
  await expect(page.getByRole('heading', { name: 'Parked' })).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])

  // A screen shows an act before it is sent.
  await savedState(page, job)
  await visit(page, '/')
  await expect(page.locator(`a[href="${job}"]`)).toContainText('Parked')
  await expect(page.locator(`a[href="${job}"]`)).toContainText('Bay 3')
  await visit(page, `${job}/tag`)
  await expect(page.getByText('rr stands OPEN')).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
  for (const format of ['A4', 'Letter'] as const) {
    const pdf = await page.pdf({ format })
    expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)).toHaveLength(1)
  }

  await visit(page, `/who?to=${encodeURIComponent(`${job}/bleed`)}`)
  await page.getByText('Osk Teller').click()
  for (const digit of '2816') await page.getByRole('button', { name: digit, exact: true }).click()
  await page.getByRole('button', { name: 'It is me' }).click()
  await expect(page.getByRole('heading', { name: 'Parked' })).toBeVisible()
  const goOn = page.getByRole('button', { name: 'I looked: go on' })
  await expect(goOn).toBeDisabled()
  await page.getByLabel('rr stands OPEN').check()
  await page.getByLabel('The pedal is PROPPED down').check()
  await page.getByLabel('No, or not sure').check()
  await expect(goOn).toBeDisabled()
  await page.getByLabel('What did you find?').fill('the prop has slipped')
  await page.getByLabel('The pedal came up meanwhile').check()
  await goOn.click()
  await expect(page.getByText('close it now')).toBeVisible()

  const { parkings, run, people } = await savedState(page, job)
  expect(parkings).toMatchObject([
    {
      parked: { by: { name: 'Una Brack' } },
      resumed: { by: { name: 'Osk Teller' }, found: 'the prop has slipped' },
    },
  ])
  expect(people.map(({ name }) => name)).toEqual(['Una Brack', 'Osk Teller'])
  expect(run).toMatchObject({ call: 'slipped', levelMl: {} })
})

test('the wrong vehicle was picked: the job moves to the right one, and both say so', async ({ page }) => {
  await openJobOn(page, { ...harbourTug, name: 'The right cart' }, 'RGT 2')
  const job = await plannedOn(page, { ...harbourTug, name: 'The wrong cart' }, 'WRG 1')
  await goOnUntil(page, job, (state) => state.run?.stageIndex === 1)
  await page.getByRole('button', { name: 'Job', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Wrong vehicle' }).click()
  await expect(page.getByText('whatever was opened or filled there needs a job of its own')).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByText('The right cart').click()
  await page.getByLabel('How did it come about?').fill('two of the same in the yard')
  await page.getByRole('button', { name: 'Move the job' }).click()
  await expect(page).toHaveURL(/check-in$/)
  await expect(page.getByText('begun on WRG 1 by mistake')).toBeVisible()
  await visit(page, '/')
  await expect(page.locator(`a[href="${job}"]`)).toContainText('RGT 2')
  await visit(page, `${job}/trace`)
  await expect(page.getByText('Moved from WRG 1 to RGT 2: two of the same in the yard')).toBeVisible()
  await visit(page, `${job}/record`)
  await expect(page.getByText('Begun on WRG 1 (The wrong cart) by mistake')).toBeVisible()
})

test.describe('parked by somebody else', () => {
  test.use({ expectedFailures: [/status of 409|ERR_FAILED .*stream/] })
  test('an act that comes after somebody else parked is not taken, and the parked screen says why', async ({
    page,
  }) => {
    await hearsNothing(page)
    const job = await plannedOn(page, harbourTug, 'PRK 2')
    await goOnUntil(page, job, hoseOn)
    const parked = { why: 'lunch', standsOpen: [], machineOn: false, pedalPropped: false, note: '' }
    await record(page, job, { type: 'parked', ...parked })
    await page.getByRole('button', { name: 'Call PRESS' }).click()
    const panel = page.getByRole('region', { name: 'Parked' })
    await expect(panel.getByRole('alert')).toHaveText(/^This job is parked/)
    await expect(panel.getByText('● saved')).toBeVisible()
  })
})

test('a lever tied overnight: said on the parked screen, untied by a step of its own, its level looked at first thing', async ({
  page,
}) => {
  const job = await plannedOn(page, example('courier-twin-disc'), 'TIE 1')
  await goOnUntil(page, job, hoseOn)
  await page.getByRole('button', { name: 'Park this job' }).click()
  await page.getByLabel('Why', { exact: true }).fill('overnight')
  await page.getByLabel(/^The lever is tied/).check()
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByRole('button', { name: 'Park it' }).click()
  await page.getByLabel('the lever is TIED: I looked').check()
  await page.getByLabel('Yes, all of it').check()
  await page.getByRole('button', { name: 'I looked: go on with it' }).click()
  await expect(page.getByText('Untie the lever and let it come back slowly.')).toBeVisible()
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.getByText('where does it stand?')).toBeVisible()
})

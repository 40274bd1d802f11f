import ferryEstate from '~core/vehicle/examples/ferry-estate.json' with { type: 'json' }
import { accessibilityFaults, expect, test, visit } from './journey'
import { checkInAndTest, plannedOn } from './set-up'

test('a vehicle is changed under a running job: the job keeps its version and says so, a new job takes the new one', async ({
  page,
}) => {
  const job = await plannedOn(page, ferryEstate, 'FER 8')
  await visit(page, '/vehicles')
  await page.getByRole('link', { name: 'FER 8' }).click()
  await page.getByRole('link', { name: 'Change it' }).click()
  const save = page.getByRole('button', { name: 'Save as version 2' })
  await expect(save).toBeDisabled()

  // What cannot be is said beside the field and where it stands in the file; undo takes it back.
  await page.getByLabel('RR spanner, mm').fill('0')
  await page.keyboard.press('Enter')
  await expect(page.getByText('parts.7.bleeders.0.wrenchMm: give a value above 0 mm')).toBeVisible()
  await expect(save).toBeDisabled()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByLabel('RR spanner, mm')).toHaveValue('8')
  // What is no number stays as typed and changes nothing.
  await page.getByLabel('RR spanner, mm').fill('nine')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Give a number, like 3.1 or 3,1.')).toBeVisible()
  await page.getByLabel('RR spanner, mm').fill('9,5')
  await page.keyboard.press('Enter')
  await page.getByLabel('Maker’s order').fill('FL, FR, RL, RR')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Remove front left brake and its lines' }).click()
  await expect(page.getByText('makerOrder')).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  expect(await accessibilityFaults(page)).toEqual([])

  // Plate and number are the vehicle's own and make no version.
  await page.getByLabel('Identification number').fill('1111')
  await expect(page.getByText('It has 4 signs where 17 are usual')).toBeVisible()

  // Leaving without saving is asked about.
  await page.getByRole('link', { name: 'Back' }).click()
  await page.getByRole('button', { name: 'Stay and save it' }).click()
  await save.click()
  await expect(page.getByRole('row', { name: /RR/ })).toContainText('9.5')
  await expect(page.getByRole('region', { name: 'Versions of its file' })).toContainText('Una Brack')

  await page.goto(`${job}/plan`)
  await expect(page.getByText('it is at version 2 now. This job keeps the one it began with')).toBeVisible()
  const figures = page.getByLabel('The plan in short')
  await expect(figures).toContainText('LSV → RR → RL → FR → FL')

  await visit(page, '/vehicles')
  await page.getByRole('link', { name: 'FER 8' }).click()
  await page.getByRole('button', { name: 'Start a job' }).click()
  await checkInAndTest(page)
  await expect(page.getByLabel('The plan in short')).toContainText('LSV → FL → FR → RL → RR')
  await expect(page.getByText('it is at version')).toHaveCount(0)
})

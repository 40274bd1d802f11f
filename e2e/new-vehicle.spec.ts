import { accessibilityFaults, expect, test, visit } from './journey'
import { checkInAndTest } from './set-up'

// Marks that cannot be are refused by the server.
test.use({ expectedFailures: [/status of 400 .*vehicles\/new\.data/] })

test('a diagonal-split right-hand-drive car from nothing, by mouse', async ({ page }) => {
  await visit(page, '/vehicles')
  await page.getByRole('link', { name: 'New vehicle' }).click()
  await page.getByLabel('Car, diagonal split with control unit').check()
  await page.getByLabel('Right', { exact: true }).check()
  await page.getByLabel('Name').fill('Lamp keeper’s car')
  await page.getByLabel('Plate').fill('LMP 4')
  await page.getByLabel('Wheelbase').fill('2600')
  await page.getByLabel('Reservoir at MAX').fill('400')
  await page.getByLabel('Reservoir at MIN').fill('430')
  await page.getByRole('button', { name: 'Save the vehicle' }).click()
  // Said where it is wrong, and nothing typed is lost.
  await expect(page.getByText('MIN (430 mL) is above MAX (400 mL)').first()).toBeVisible()
  await expect(page.getByLabel('Name')).toHaveValue('Lamp keeper’s car')
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByLabel('Reservoir at MIN').fill('230')
  await page.getByRole('button', { name: 'Save the vehicle' }).click()
  await expect(page.getByRole('heading', { name: 'Lamp keeper’s car' })).toBeVisible()
  await expect(page.getByText('230 mL at MIN, 400 mL at MAX')).toBeVisible()
  await expect(page.getByText('usual lengths and sizes of its layout, not measured')).toBeVisible()
  await expect(page.getByRole('row', { name: /RL/ })).toContainText(/≈ \d/)
  // The usual order of a right-hand-drive car: its plan says so.
  await page.getByRole('button', { name: 'Start a job' }).click()
  await checkInAndTest(page)
  const order = page.getByRole('region', { name: 'Order', exact: true })
  const rows = order.getByRole('listitem').filter({ has: page.getByRole('button', { name: 'up' }) })
  await expect(rows).toHaveText([/RL/, /RR/, /FL/, /FR/])
  await expect(page.getByText('have usual sizes, not measured ones')).toBeVisible()
})

test('the same by keyboard alone, with an identification number that looks wrong and is kept', async ({
  page,
}) => {
  await visit(page, '/vehicles/new')
  await page.getByRole('radio', { name: 'Car', exact: true }).focus()
  await page.keyboard.press('Tab')
  await page.keyboard.press('ArrowDown')
  await expect(page.getByLabel('Car, diagonal split without unit')).toBeChecked()
  await page.keyboard.press('Tab')
  await expect(page.getByLabel('Name')).toBeFocused()
  await page.keyboard.type('Ferry relief car')
  await page.keyboard.press('Tab')
  await page.keyboard.type('FRY 9')
  await page.keyboard.press('Tab')
  await page.keyboard.type('11111111211111111')
  await expect(page.getByText('Its ninth sign is 2, and 1 would fit the others')).toBeVisible()
  await page.keyboard.press('Tab')
  await page.keyboard.press('Tab')
  await page.keyboard.press('ArrowRight')
  await expect(page.getByLabel('Right', { exact: true })).toBeChecked()
  await page.keyboard.press('Tab')
  await page.keyboard.type('2450')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Ferry relief car' })).toBeVisible()
  await expect(page.getByText('11111111211111111')).toBeVisible()
  await expect(page.getByText('driver right')).toBeVisible()
})

test('another kind of vehicle shows its own layouts, and a motorcycle asks for no driver’s side', async ({
  page,
}) => {
  await visit(page, '/vehicles/new')
  await page.getByRole('radio', { name: 'Motorcycle', exact: true }).check()
  await expect(page.getByLabel('Motorcycle, two front discs')).toBeChecked()
  await expect(page.getByText('Where the driver sits')).toBeHidden()
  await page.getByLabel('Motorcycle with control unit').check()
  await expect(page.getByRole('region', { name: 'Runs from the cylinder' })).toContainText('UF')
  expect(await accessibilityFaults(page)).toEqual([])
})

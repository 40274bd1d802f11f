import type { Page } from '@playwright/test'
import { harbourTug } from '~test/worlds/harbour-tug'
import { accessibilityFaults, expect, test, visit } from './journey'
import { openJobOn } from './set-up'
import { hearsNothing } from './steps'

const shares = (page: Page) => page.getByRole('region', { name: 'What it may be' })
const question = (page: Page) => page.locator('#next-look')

async function says(page: Page, answer: string): Promise<void> {
  const before = await question(page).textContent()
  await page.getByRole('button', { name: answer, exact: true }).click()
  await expect(question(page)).not.toHaveText(before ?? '')
}

async function complains(page: Page, plate: string, of: string): Promise<void> {
  await visit(page, '/find')
  const vehicle = page.getByLabel('Which vehicle')
  const option = await vehicle.locator('option', { hasText: plate }).first().getAttribute('value')
  await vehicle.selectOption(option)
  await page.getByRole('button', { name: 'Take this one' }).click()
  await page.getByRole('button', { name: of }).click()
}

test('all four wheels drag: level, floor and rod before any part; an answer taken back is as if never given', async ({
  page,
}) => {
  await complains(page, 'GNT 107', 'All wheels drag')
  await expect(question(page)).toContainText('where does the fluid stand?')
  expect(await accessibilityFaults(page)).toEqual([])
  await says(page, 'At MAX or near')
  await says(page, 'Dry everywhere')
  await expect(question(page)).toContainText('Feel the play between pushrod and piston')
  const before = (await shares(page).textContent()) ?? ''
  await says(page, 'No play')
  await expect(shares(page).getByRole('listitem').first()).toContainText('pushrod too tight')
  await expect(question(page)).toContainText('Set the pushrod’s play')
  await expect(page.getByText('No look that is left saves')).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByRole('button', { name: 'Take back: Pushrod' }).click()
  await expect(shares(page)).toHaveText(before)
  // Going back in the browser takes an answer back too.
  await page.goBack()
  await expect(question(page)).toContainText('Set the pushrod’s play')
  await page.getByRole('button', { name: 'Done, and it is good' }).click()
  await expect(page.getByRole('heading', { name: 'That was it: pushrod too tight' })).toBeVisible()
})

test('sinks and dry, on a job: found with the plugs, planned from there, and recorded', async ({
  page,
  request,
}) => {
  const job = await openJobOn(page, harbourTug, 'TUG 71')
  await visit(page, `${job}/find`)
  await page.getByRole('button', { name: 'Sinks slowly under a steady foot' }).click()
  await says(page, 'At MAX or near')
  await says(page, 'Dry everywhere')
  await expect(shares(page).getByRole('listitem').first()).toContainText('past its own seals')
  // Whoever wants to be sure before a part is bought looks first.
  const plugs = page.getByRole('button', { name: 'Look: Ports plugged' })
  if (await plugs.isVisible()) await plugs.click()
  await expect(page.getByText('Plugs rated for full brake pressure')).toBeVisible()
  await says(page, 'It sinks')
  await expect(question(page)).toContainText('Fit another cylinder')
  await page.getByRole('link', { name: 'Plan the work for it' }).click()
  await expect(page.getByRole('radio', { name: /repair/i })).toBeChecked()
  await visit(page, `${job}/trace`)
  await expect(page.getByText('Looking for the fault')).not.toHaveCount(0)
  // Another screen, later, finds the search where it stood.
  await visit(page, `${job}/find`)
  await expect(question(page)).toContainText('Fit another cylinder')
  expect((await (await request.get(`${job}/log.json`)).text()).match(/fault-looked/g)).toHaveLength(4)
})

test.describe('two screens at one search', () => {
  test.use({ expectedFailures: [/status of 409|ERR_FAILED .*stream/] })
  test('the answer of the one that did not see the other’s is refused, and it sees what stands now', async ({
    page,
    context,
  }) => {
    await hearsNothing(page)
    const job = await openJobOn(page, harbourTug, 'TUG 72')
    await visit(page, `${job}/find`)
    await page.getByRole('button', { name: 'All wheels drag' }).click()
    await expect(question(page)).toContainText('where does the fluid stand?')
    const other = await context.newPage()
    await other.goto(page.url())
    await says(other, 'At MAX or near')
    await page.getByRole('button', { name: 'Empty', exact: true }).click()
    await expect(page.getByRole('alert')).toContainText('Somebody else answered meanwhile')
    await expect(page.getByText('Level: At MAX or near')).toBeVisible()
    await says(page, 'Dry everywhere')
    // What was picked by mistake is picked anew.
    await page.getByRole('button', { name: 'It does something else' }).click()
    await page.getByRole('button', { name: 'One wheel drags' }).click()
    await expect(page.getByRole('region', { name: 'One wheel drags or runs hot' })).toContainText(
      'Nothing was looked at',
    )
  })
})

test('soft after a cylinder and a cycle: the cylinder is not bought twice, the unit not for its thousand', async ({
  page,
}) => {
  await visit(
    page,
    '/find?complaint=soft-pedal&found=level.full&found=wet-places.dry&found=unit-cycled.same&tried=cylinder-bypass',
  )
  await expect(page.getByText('Mended in vain: cylinder leaks past its own seals')).toBeVisible()
  await expect(shares(page)).not.toContainText('past its own seals')
  await expect(question(page)).not.toContainText('Fit another')
  // A repair that somebody picks against the advice claims nothing for itself.
  await page.getByRole('button', { name: /^All \d+ of them$/ }).click()
  await page
    .getByRole('button', { name: /^Mend: / })
    .first()
    .click()
  await expect(page.getByText(/^To mend: /)).toBeVisible()
  await expect(page.getByText('No look that is left saves')).toHaveCount(0)
})

test('answers that nothing known can show are said to be so', async ({ page }) => {
  const all = [
    'pushrod-tight',
    'cylinder-no-return',
    'seals-swollen',
    'overfilled',
    'brake-seized',
    'hose-closed',
  ]
  await visit(page, `/find?complaint=drag-all&${all.map((id) => `tried=${id}`).join('&')}`)
  await expect(page.getByRole('heading', { name: 'Nothing that is known fits all of this' })).toBeVisible()
})

test('a clutch that does not part: the thumb finds that the cylinder draws nothing', async ({ page }) => {
  await visit(
    page,
    '/find?complaint=no-clutch&found=level.full&found=wet-places.dry&found=hold-firm.holds&found=pump-up.same',
  )
  await page.getByRole('button', { name: /^All \d+ of them$/ }).click()
  await page.getByRole('button', { name: 'Look: Thumb on the port' }).click()
  await expect(page.getByText('Eye protection')).toBeVisible()
  await says(page, 'Pushes, draws nothing')
  await expect(shares(page).getByRole('listitem').first()).toContainText('takes nothing from its reservoir')
})

test('a motorcycle good again after its bolt was cracked: no unit, no booster, no clamp is ever asked for', async ({
  page,
}) => {
  await complains(page, 'SKU 30', 'Soft: it gives')
  await says(page, 'At MAX or near')
  await says(page, 'Dry everywhere')
  await expect(page.getByText('Hoses clamped')).toHaveCount(0)
  await expect(shares(page)).not.toContainText('booster')
  await page.getByRole('button', { name: /^All \d+ of them$/ }).click()
  await page.getByRole('button', { name: 'Look: Bled once more' }).click()
  await page.getByRole('button', { name: 'Firm', exact: true }).click()
  await expect(page.getByRole('heading', { name: /^That was it: air in the/ })).toBeVisible()
})

test('low level on worn pads: the wear explains it before anybody looks for a leak', async ({ page }) => {
  await complains(page, 'GNT 107', 'The level is low')
  await says(page, 'Dry everywhere')
  await says(page, 'It follows')
  if (!(await question(page).textContent())?.includes('wear'))
    await page.getByRole('button', { name: 'Look: Wear against level' }).click()
  await page.getByText('Measure it').click()
  const wear = page.getByRole('textbox', { name: /^Wear: / })
  for (const field of await wear.all()) await field.fill('5')
  await page.getByRole('textbox', { name: /^Missing below MAX/ }).fill('vierzig')
  await expect(page.getByText('Give a number, like 3.1 or 3,1.')).toBeVisible()
  await page.getByRole('textbox', { name: /^Missing below MAX/ }).fill('40,5')
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByRole('button', { name: 'Take it: Yes, about as much' }).click()
  await expect(shares(page).getByRole('listitem').first()).toContainText('worn pads')
})

test.describe('prices', () => {
  test.use({ expectedFailures: [/status of 400/] })
  test('of the shop itself are what the search reckons with; what is no amount stays typed', async ({
    page,
  }) => {
    await visit(page, '/find/prices')
    await page.getByLabel('hose', { exact: true }).fill('viel')
    await page.getByLabel('An hour of hands').fill('90')
    await page.getByRole('button', { name: 'Keep these prices' }).click()
    await expect(page.getByText('Give an amount from 0')).toBeVisible()
    await expect(page.getByLabel('hose', { exact: true })).toHaveValue('viel')
    await page.getByLabel('hose', { exact: true }).fill('41,50')
    await page.getByRole('button', { name: 'Keep these prices' }).click()
    await expect(page.getByText('Kept.')).toBeVisible()
    await visit(
      page,
      '/find?complaint=drag-one&found=level.full&found=wet-places.dry&found=crack-bleeder.frees',
    )
    await page.getByText(/^What mending costs \(a hose closed/).click()
    const lines = page.getByRole('listitem')
    await expect(lines.filter({ hasText: /^hose42$/ })).toBeVisible()
    await expect(lines.filter({ hasText: /^Hands, 50 min60 to 113$/ })).toBeVisible()
  })
})

test('an address that cannot be says so, and asks anew', async ({ page }) => {
  await visit(page, '/find?complaint=soft-pedal&found=horoscope.good')
  await expect(page.getByRole('alert')).toContainText('give one of: level')
  await expect(page.getByRole('heading', { name: 'What does it do?' })).toBeVisible()
})

import { harbourTug } from '~test/worlds/harbour-tug'
import { accessibilityFaults, expect, test, visit } from './journey'
import { openJobOn } from './set-up'

test.use({ expectedFailures: [/status of 409/] })
test('the pedal is felt before and again: bars to one scale, what changed, what cannot be is told; an earlier job stands behind', async ({
  page,
}) => {
  const job = await openJobOn(page, harbourTug, 'PED 1')
  await visit(page, `${job}/pedal`)
  const felt = async (...mm: string[]) => {
    const fields = await page.getByRole('textbox').all()
    for (const [i, each] of mm.entries()) await fields[i]?.fill(each)
    await page.getByRole('button', { name: 'That is how it is' }).click()
  }
  await felt('weich', '70', '90')
  await expect(page.getByText('Give a number, like 3.1 or 3,1.')).toBeVisible()
  await felt('80', '70', '90')
  await expect(page.getByRole('alert')).toContainText('It bites first')
  await felt('20', '70,5', '90', '6')
  await expect(page.getByRole('list', { name: 'Pedal travel, felt 1 time' })).toBeVisible()
  await felt('19', '40', '70', '0')
  await expect(page.getByText(/The soft zone is shorter: 21 mm, it was 50.5 mm/)).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
  const back = await openJobOn(page, harbourTug, 'PED 2')
  await visit(page, `${back}/pedal`)
  await expect(page.getByText('Nobody has felt it yet')).toBeVisible()
  await visit(page, `${job}/pedal`)
  await page.emulateMedia({ colorScheme: 'dark' })
  await page.setViewportSize({ width: 390, height: 844 })
  expect(await accessibilityFaults(page)).toEqual([])
})

import { expect, type Page } from '@playwright/test'
import { visit } from './journey'
import { takeWay } from './steps'

/** Import a vehicle file and open a job on it, as a person does; leaves the page at check in. */
export async function openJobByForm(page: Page, file: object, plate: string): Promise<string> {
  await visit(page, '/vehicles')
  await page.getByLabel('Vehicle file (.json)').setInputFiles({
    name: 'vehicle.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(file)),
  })
  await page.getByLabel('Plate').fill(plate)
  await page.getByRole('button', { name: 'Import' }).click()
  await page.getByRole('button', { name: 'Start a job' }).click()
  await expect(page).toHaveURL(/check-in$/)
  return new URL(page.url()).pathname.replace(/\/check-in$/, '')
}

/** Check in for a routine exchange and test; leaves the page at the plan. */
export async function checkInAndTestByForm(page: Page): Promise<void> {
  await page.getByLabel('Routine exchange').check()
  await page.getByLabel('Brown', { exact: true }).check()
  await page.getByRole('button', { name: 'Checked in' }).click()
  await page.getByLabel('The tester shows').fill('3,2')
  await page.getByRole('button', { name: 'Tested' }).click()
}

/** Check in, test and take a two-person plan; leaves the page at the plate. */
export async function planTwoPersonByForm(page: Page): Promise<void> {
  await checkInAndTestByForm(page)
  await takeWay(page, 'pump-and-hold')
  await page.getByRole('button', { name: 'Take this plan' }).click()
  await expect(page.getByText('Is this the vehicle in front of you?')).toBeVisible()
}

import { readFileSync } from 'node:fs'
import { expect, type Page } from '@playwright/test'
import type { JobState } from '~core/job/state'
import { currentStep } from '~core/job/steps'
import type { TechniqueId } from '~core/technique/technique'
import { Device } from './device'
import { visit } from './journey'
import { openJobOn, plannedOn } from './set-up'
import { goOnUntil } from './steps'

/** A job checked in, planned and begun, and where it stands: for journeys about the bleed itself. */

export const example = (name: string) =>
  JSON.parse(readFileSync(`core/vehicle/examples/${name}.json`, 'utf8'))
export const demo = (name: string) => JSON.parse(readFileSync(`demo/vehicles/${name}.json`, 'utf8'))
export const kindNow = ({ run }: JobState) => run?.stages[run.stageIndex]?.stage.kind
export const stepNow = ({ run, standing }: JobState) =>
  run ? currentStep({ run, standing })?.step.code : undefined
export const finished = ({ run }: JobState) =>
  (run?.stages ?? []).flatMap(({ at }) =>
    Object.entries(at).flatMap(([id, point]) => (point.finished ? id : [])),
  )

/** Check in with whatever the work is, take the plan, compare the plate. */
export async function taken(page: Page, file: object, plate: string, checkIn: (page: Page) => Promise<void>) {
  const job = await openJobOn(page, file, plate)
  await checkIn(page)
  await page.getByRole('button', { name: 'Take this plan' }).click()
  await page.getByRole('button', { name: 'Yes, the plate is the same' }).click()
  await expect(page.getByText('● saved')).toBeVisible()
  return job
}
/** The same for a routine exchange by this way. */
export async function begunOn(page: Page, file: object, plate: string, way: TechniqueId): Promise<string> {
  const job = await plannedOn(page, file, plate, way)
  await page.getByRole('button', { name: 'Yes, the plate is the same' }).click()
  await expect(page.getByText('● saved')).toBeVisible()
  return job
}
export const tested = async (page: Page) => {
  await page.getByLabel('Brown', { exact: true }).check()
  await page.getByRole('button', { name: 'Checked in' }).click()
  await page.getByLabel('The tester shows').fill('3,2')
  await page.getByRole('button', { name: 'Tested' }).click()
}
export const bledToTheEnd = async (page: Page, job: string) => {
  await goOnUntil(page, job)
  await expect(page.getByText('Now prove it.')).toBeVisible()
}

/** Checked in with its control unit replaced; then as the journey goes on. */
export const unitReplaced = async (page: Page, then: (page: Page) => Promise<void>) => {
  await page.getByLabel('Hydraulic repair').check()
  await page.getByText('What was opened or replaced?').click()
  await page.locator('input[name="replaced"][value="unit"]').check()
  await then(page)
}

/** The shop has a scan tool on a port, with the vehicle of this file behind it. */
export async function withTool(page: Page, file: string): Promise<Device> {
  const tool = await Device.start('scan-tool', file)
  await visit(page, '/policy')
  await page.getByLabel('Port of the scan tool').fill(String(tool.port))
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Saved.')).toBeVisible()
  return tool
}

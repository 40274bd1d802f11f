import { expect, type Page } from '@playwright/test'
import type { TechniqueId } from '~core/technique/technique'
import { type Asker, checkedInAndTested, openedOn, planned, takePlan } from '../test/http/job'
import { visit } from './journey'

/** Jobs brought to where a journey begins, by the forms' own addresses: the forms have journeys of their own. */

/** Whoever is at a page, which may show nothing yet: where its requests go tells the server. */
export async function askerOf({ request }: Page): Promise<Asker> {
  return { client: request, url: new URL((await request.get('/favicon.svg')).url()).origin }
}

/** Import a vehicle file and open a job on it; leaves the page at check in. */
export async function openJobOn(page: Page, file: object, plate: string): Promise<string> {
  const job = await openedOn(await askerOf(page), file, plate)
  await visit(page, `${job}/check-in`)
  return job
}

/** The job whose page this is, or is about to be. */
async function jobAt(page: Page): Promise<string> {
  await page.waitForURL(/\/jobs\/[^/]+/)
  return /^\/jobs\/[^/]+/.exec(new URL(page.url()).pathname)?.[0] ?? ''
}

/** Check in for a routine exchange and test; leaves the page at the plan. */
export async function checkInAndTest(page: Page): Promise<void> {
  const job = await jobAt(page)
  await checkedInAndTested(await askerOf(page), job)
  await visit(page, `${job}/plan`)
}

async function atThePlate(page: Page, path: string): Promise<void> {
  await visit(page, path)
  await expect(page.getByText('Is this the vehicle in front of you?')).toBeVisible()
}

/** A job on a vehicle, checked in, tested, and its plan taken by this way; leaves the page at the plate. */
export async function plannedOn(
  page: Page,
  file: object,
  plate: string,
  way: TechniqueId = 'pump-and-hold',
): Promise<string> {
  const job = await planned(await askerOf(page), file, plate, way)
  await atThePlate(page, `${job}/bleed`)
  return job
}

/** Check in, test and take a two-person plan; leaves the page at the plate. */
export async function planTwoPerson(page: Page): Promise<void> {
  const job = await jobAt(page)
  const asker = await askerOf(page)
  await checkedInAndTested(asker, job)
  await atThePlate(page, await takePlan(asker, job, 'pump-and-hold'))
}

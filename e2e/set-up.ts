import { type APIRequestContext, expect, type Page } from '@playwright/test'
import { newId } from '~/lib/ids'
import type { TechniqueId } from '~core/technique/technique'
import { visit } from './journey'

/** Jobs brought to where a journey begins, by the forms' own addresses and no browser: the forms have journeys of their own. */

type Filled = Pick<NonNullable<Parameters<APIRequestContext['post']>[1]>, 'form' | 'multipart'>

/** Post a form as its page would. @returns where it sends its reader; one that is not taken fails here, with what was said */
async function post({ request }: Page, path: string, filled: Filled = { form: {} }): Promise<string> {
  const { origin } = new URL((await request.get('/favicon.svg')).url())
  const answer = await request.post(path, { ...filled, headers: { Origin: origin }, maxRedirects: 0 })
  expect(answer.status(), await answer.text()).toBe(302)
  return answer.headers().location ?? ''
}

/** Import a vehicle file and open a job on it; leaves the page at check in. */
export async function openJobOn(page: Page, file: object, plate: string): Promise<string> {
  const buffer = Buffer.from(JSON.stringify(file))
  const vehicle = await post(page, '/vehicles', {
    multipart: { plate, file: { name: 'vehicle.json', mimeType: 'application/json', buffer } },
  })
  const checkIn = await post(page, vehicle)
  await visit(page, checkIn)
  return checkIn.replace(/\/check-in$/, '')
}

/** The job whose page this is, or is about to be. */
async function jobAt(page: Page): Promise<string> {
  await page.waitForURL(/\/jobs\/[^/]+/)
  return /^\/jobs\/[^/]+/.exec(new URL(page.url()).pathname)?.[0] ?? ''
}

async function checkedInAndTested(page: Page, job: string): Promise<void> {
  const eventId = newId()
  await post(page, `${job}/check-in`, {
    form: { eventId, reason: 'service', colour: 'brown', fluidFound: 'as-specified' },
  })
  await post(page, `${job}/test`, {
    form: { eventId: newId(), tester: 'percent-meter', value: '3,2', at: 'reservoir' },
  })
}

/** Check in for a routine exchange and test; leaves the page at the plan. */
export async function checkInAndTest(page: Page): Promise<void> {
  const job = await jobAt(page)
  await checkedInAndTested(page, job)
  await visit(page, `${job}/plan`)
}

/** Check in, test and take a two-person plan; leaves the page at the plate. */
export async function planTwoPerson(page: Page): Promise<void> {
  const job = await jobAt(page)
  await checkedInAndTested(page, job)
  await visit(page, await takePlan(page, job, 'pump-and-hold'))
  await expect(page.getByText('Is this the vehicle in front of you?')).toBeVisible()
}

const takePlan = (page: Page, job: string, way: TechniqueId): Promise<string> =>
  post(page, `${job}/plan?way=${way}`, {
    form: { eventId: newId(), orderWhy: '', wayWhy: 'for this journey' },
  })

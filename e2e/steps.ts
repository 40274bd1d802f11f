import { type APIRequestContext, expect, type Locator, type Page } from '@playwright/test'
import type { JobState } from '~core/job/state'
import type { TechniqueId } from '~core/technique/technique'
import { techniqueFact } from '~core/technique/technique'
import { sayMetric } from '~core/words'
import { goOn, type Hands, record as recordAs, stateOf } from '../test/http/job'
import { DemoServer } from '../test/http/server'
import { visit } from './journey'

/** On the plan page: bleed by this way, with a reason where it is not the usual one. */
export async function takeWay(page: Page, technique: TechniqueId): Promise<void> {
  await page.getByLabel('Method', { exact: true }).selectOption(technique)
  await expect(page.getByLabel('The plan in short')).toContainText(
    sayMetric(techniqueFact({ id: technique })),
  )
  const why = page.getByLabel('Why this way?')
  if (await why.isVisible()) await why.fill('for this journey')
}

/** Exchange the reservoir and go through the steps before the first bleeder. */
export async function untilFirstBleeder(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Yes, the plate is the same' }).click()
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await page.getByLabel('Drawn out, mL').fill('120')
  await page.getByRole('button', { name: 'Drawn out' }).click()
  await page.getByRole('button', { name: 'Poured', exact: true }).click()
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Done', exact: true }).click()
}

/** Hold the button that records the bleeder closed. */
export async function holdClosed(page: Page, name = 'is CLOSED'): Promise<void> {
  const button = page.getByRole('button', { name })
  await button.hover()
  await page.mouse.down()
  await expect(button).toBeHidden()
  await page.mouse.up()
}

/** One pull by mouse, from the call to what the hose showed. */
export async function onePull(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Call PRESS' }).click()
  await page.getByRole('button', { name: 'holding' }).click()
  await page.getByRole('button', { name: 'It is open' }).click()
  await holdClosed(page)
  await page.getByRole('button', { name: 'pedal is up' }).click()
}

/** The look that is asked for now; not every pull has one. */
export const lookAsked = (page: Page): Locator => page.getByRole('heading', { name: /^What did the/ })

/** Write down a clean look: with this amount where it speaks for one pull, as the count expects it where for several. */
export async function lookClean(page: Page, ml: string): Promise<void> {
  const title = await lookAsked(page).textContent()
  if (!title?.includes('pulls'))
    await page.getByRole('button', { name: new RegExp(`: ${ml} mL more$`) }).click()
  await page.getByRole('button', { name: 'As new', exact: true }).click()
  await page.getByRole('button', { name: 'No bubbles', exact: true }).click()
}

/** Clean pulls until the bleeder has had its amount and its clean pulls in a row. */
export async function pullsUntilDone(page: Page, ml: string): Promise<void> {
  const tight = page.getByRole('button', { name: 'Tight, cap on' })
  const press = page.getByRole('button', { name: 'Call PRESS' })
  for (let pull = 0; pull < 10; pull++) {
    await expect(tight.or(press)).toBeVisible()
    if (await tight.isVisible()) return
    await onePull(page)
    await expect(lookAsked(page).or(press)).toBeVisible()
    if (await lookAsked(page).isVisible()) await lookClean(page, ml)
  }
}

/** The last fill before the proof, with the amount that is missing by the count. */
export async function lastFill(page: Page): Promise<void> {
  const poured = page.getByRole('button', { name: 'Poured to MAX' })
  await poured.first().click()
  await expect(poured).toHaveCount(0)
}

/** Prove everything there is; what must be held is held, by a clock that is moved on. */
export async function proveAll(page: Page): Promise<void> {
  const missing = page.getByRole('button', { name: 'Poured to MAX' }).first()
  if (await missing.isVisible()) await lastFill(page)
  // In their order: nothing is proved before what it rests on.
  for (const check of await page
    .getByRole('listitem')
    .filter({ has: page.getByRole('heading', { level: 2 }) })
    .all()) {
    // Joints that were opened: each goes on as far as it can.
    const joint = check.getByRole('button', {
      name: /: (started by hand|tight|dry .*|stands, then free at once|done)$/,
    })
    for (let left = await joint.count(); left > 0; left = await joint.count())
      await joint.and(page.locator(':enabled')).first().click()
    const measured = check.getByRole('button', { name: 'record' })
    if (!(await measured.isVisible())) {
      await check.getByRole('button', { name: ': holds' }).click()
      continue
    }
    const start = check.getByRole('button', { name: 'Held from now' })
    if (await start.isVisible()) {
      await start.click()
      await expect(page.getByText('● saved')).toBeVisible()
      await DemoServer.at(page.url()).minuteOn()
      await page.clock.fastForward(31_000)
      await expect(check.getByText('Held 30 s.')).toBeVisible()
    }
    await check.getByRole('textbox').fill('0')
    await measured.click()
  }
}

/** The job as the server has it, once it has all that was done on this page: a screen shows an act before it is sent. */
export async function savedState(page: Page, job: string): Promise<JobState> {
  await expect(page.getByText('● saved')).toBeVisible()
  return stateOf(page.request, job)
}

/** Send one event as a screen would. @returns it, and how many the job has now */
export const record = (page: Page, job: string, act: object) =>
  recordAs({ client: page.request, url: new URL(page.url()).origin }, job, act)

/** Go on as a careful technician would until something is so, or nothing is left to do; then look at the bay. */
export async function goOnUntil(
  page: Page,
  job: string,
  reached?: (state: JobState) => boolean,
  hands?: Hands,
): Promise<void> {
  const { origin } = new URL(page.url())
  // A bay that draws hundreds of acts takes the time of the server that records them. A picture of the same place keeps the
  // process with what it has translated; a blank page would end it.
  await page.goto(`${origin}/favicon.svg`)
  await goOn({ client: page.request, url: origin }, job, reached, hands)
  await visit(page, new URL(`${job}/bleed`, origin).href)
}

/** Link a phone for the cab in the bay, as a phone does it that was shown the code. */
export async function linkPhone(page: Page, phone: APIRequestContext, url: string): Promise<void> {
  await page.getByRole('button', { name: 'Link a phone for the cab' }).click()
  await page.getByRole('button', { name: 'Make a code for it' }).click()
  await expect(page.getByText('For this job only')).toBeVisible()
  const code = await page
    .getByRole('dialog')
    .getByText(/^[2-9A-Z]{6}$/)
    .textContent()
  const answer = await phone.post('/cab', {
    headers: { Origin: url },
    form: { code: code ?? '' },
    maxRedirects: 0,
  })
  expect(answer.status()).toBe(302)
}

/** The page hears nothing of what other screens record, as behind a wire that lets only requests through. */
export const hearsNothing = (page: Page): Promise<unknown> =>
  page.route('**/stream?*', (route) => route.abort('failed'))

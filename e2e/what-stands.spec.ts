import type { Page } from '@playwright/test'
import { anythingStands } from '~core/job/standing'
import { hoseOn, stateOf } from '../test/http/job'
import { accessibilityFaults, expect, test, visit } from './journey'
import { checkInAndTest, openJobOn } from './set-up'
import { goOnUntil, holdClosed, record, savedState } from './steps'
import { begunOn, bledToTheEnd, demo, example, taken, tested } from './taken'

/** What stands open, set up or broken outlives the plan it came from. */

const stands = (page: Page) => page.getByRole('paragraph').filter({ hasText: /^Stands: / })

async function holdShut(page: Page): Promise<void> {
  const button = page.getByRole('button', { name: 'is SHUT' })
  await button.hover()
  await page.mouse.down()
  await expect(button).toBeHidden()
  await page.mouse.up()
}

async function wentWrong(page: Page, what: string, pick: () => Promise<void>): Promise<void> {
  await page.getByRole('button', { name: 'Something went wrong' }).click()
  await page.getByRole('button', { name: what }).click()
  await pick()
  await page.getByRole('button', { name: 'Record it' }).click()
}

test('a bleeder snaps under the machine’s pressure: pressure off, adapter off, renewed by its own act, pressure up again, and on to the proof', async ({
  page,
}) => {
  const job = await begunOn(page, demo('post-van-lhd'), 'SNP 1', 'pressure')
  await goOnUntil(page, job, ({ run }) => run?.call === 'open')
  await expect(stands(page)).toContainText('The machine’s pressure is ON')
  const { run } = await stateOf(page.request, job)
  const point = run?.callAt ?? ''
  await wentWrong(page, 'Bleeder snapped', () => page.getByText(`bleeder ${point}`, { exact: true }).click())
  await holdClosed(page)
  await expect(page.getByText('Let the machine’s pressure off.')).toBeVisible()
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(stands(page)).toContainText(`${point} is broken`)
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.getByText(/Adapter .*on the reservoir, tight/)).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
  await bledToTheEnd(page, job)
  expect(anythingStands(await stateOf(page.request, job))).toBe(false)
})

test('parked with a bleeder named open: nobody goes on before it is shut by its own act, and it is bled again', async ({
  page,
}) => {
  const job = await begunOn(page, demo('post-van-lhd'), 'PRK 1', 'pump-and-hold')
  await goOnUntil(page, job, (state) => hoseOn(state) && state.run?.stages.at(1)?.at.RL?.ready === true)
  await page.getByRole('button', { name: 'Park this job' }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByLabel('Why').fill('called away')
  await sheet.getByText('Something stands open').click()
  await sheet.getByLabel('RR', { exact: true }).check()
  await sheet.getByRole('button', { name: 'Park it' }).click()
  await page.getByLabel('RR stands OPEN').check()
  await page.getByLabel('Yes, all of it').check()
  await page.getByRole('button', { name: 'I looked: go on' }).click()
  await expect(page.getByText('Bleeder RR stands OPEN: shut it.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Call PRESS' })).toBeHidden()
  expect(await accessibilityFaults(page)).toEqual([])
  await holdShut(page)
  await expect(stands(page)).toContainText('nothing open, nothing set up')
  const state = await savedState(page, job)
  expect(state.troubles.at(-1)).toMatchObject({ what: 'air-drawn', startAgain: ['RR'] })
  await bledToTheEnd(page, job)
})

test('the wrong fluid in mid-job, with the unit unplugged: the next plan knows, and it is plugged in before the proof', async ({
  page,
}) => {
  const job = await taken(page, demo('post-van-lhd'), 'WRG 1', async () => {
    await page.getByLabel('Repair').check()
    await page.getByText('What was opened or replaced?').click()
    await page.locator('input[name="replaced"][value="unit"]').check()
    await tested(page)
  })
  await goOnUntil(page, job, (state) => hoseOn(state) && state.standing.up.includes('unit-unplugged'))
  await record(page, job, {
    type: 'trouble',
    trouble: { what: 'wrong-fluid', spec: 'DOT 5', reservoir: 'reservoir', moved: true },
  })
  await visit(page, `${job}/plan`)
  await page.getByRole('button', { name: 'Take this plan' }).click()
  await page.getByRole('button', { name: 'Yes, the plate is the same' }).click()
  await expect(stands(page)).toContainText('The control unit is unplugged')
  await bledToTheEnd(page, job)
  expect(anythingStands(await stateOf(page.request, job))).toBe(false)
})

/** The van that asks for a loaded axle, taken as far as that. */
async function withAxleLoaded(page: Page, plate: string): Promise<string> {
  const job = await begunOn(page, example('parcel-van'), plate, 'pump-and-hold')
  await goOnUntil(page, job, (state) => hoseOn(state) && state.standing.up.includes('axle-loaded'))
  await expect(stands(page)).toContainText('The axle is loaded')
  return job
}

test('moved to the right vehicle with the axle loaded: it stands until somebody takes the load off', async ({
  page,
}) => {
  await openJobOn(page, { ...example('parcel-van'), name: 'The right van' }, 'RGT 7')
  const job = await withAxleLoaded(page, 'AXL 1')
  await page.getByRole('button', { name: 'Job', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Wrong vehicle' }).click()
  await page.getByText('The right van').click()
  await page.getByLabel('How did it come about?').fill('two of the same in the yard')
  await page.getByRole('button', { name: 'Move the job' }).click()
  await expect(page).toHaveURL(/check-in$/)
  await page.getByLabel('Routine exchange').check()
  await page.getByLabel('Brown', { exact: true }).check()
  await page.getByRole('button', { name: 'Checked in' }).click()
  await page.getByRole('button', { name: 'Correct the test' }).click()
  await page.getByRole('button', { name: 'Take this plan' }).click()
  await page.getByRole('button', { name: 'Yes, the plate is the same' }).click()
  await expect(stands(page)).toContainText('The axle is loaded')
  await bledToTheEnd(page, job)
  expect(anythingStands(await stateOf(page.request, job))).toBe(false)
})

test.describe('two jobs on one vehicle', () => {
  test.use({ expectedFailures: [/status of 409 .*events$/] })
  test('a second job on a vehicle that stands half done is not begun: the first one is shown', async ({
    page,
  }) => {
    const first = await withAxleLoaded(page, 'TWO 1')
    const { vehicleId } = await stateOf(page.request, first)
    await visit(page, `/vehicles/${vehicleId}`)
    await page.getByRole('button', { name: 'Start a job' }).click()
    await expect(page.getByText('This vehicle stands half done in another job')).toBeVisible()
    expect(await accessibilityFaults(page)).toEqual([])
    await checkInAndTest(page)
    await page.getByRole('button', { name: 'Take this plan' }).click()
    await page.getByRole('button', { name: 'Yes, the plate is the same' }).click()
    await expect(page.getByText('that one is gone on with, or filed as it stands, first')).toBeVisible()
    await page.getByRole('link', { name: 'Go on with that one' }).click()
    await expect(page).toHaveURL(new RegExp(`${first}/`))
  })
})

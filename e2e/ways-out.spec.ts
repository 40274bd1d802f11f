import type { Locator } from '@playwright/test'
import { harbourTug } from '~test/worlds/harbour-tug'
import { hoseOn, stateOf } from '../test/http/job'
import { accessibilityFaults, expect, test, visit } from './journey'
import { plannedOn } from './set-up'
import { goOnUntil, savedState } from './steps'

/** Held until what it said is done and it is gone. */
async function hold(button: Locator): Promise<void> {
  await button.hover()
  await button.page().mouse.down()
  await expect(button).toBeHidden()
  await button.page().mouse.up()
}

test('every way out of a step once: each is recorded, says what stays good, and changes what comes next', async ({
  page,
}) => {
  const job = await plannedOn(page, harbourTug, 'OUT 1')
  await goOnUntil(page, job, (state) => state.run?.stages[1]?.at.rr?.finished === true && hoseOn(state))
  const wrong = async (what: string, ...picks: string[]) => {
    await page.getByRole('button', { name: 'Something went wrong' }).click()
    await page.getByRole('button', { name: what, exact: true }).click()
    for (const pick of picks) await page.getByText(pick, { exact: true }).click()
  }
  const recordIt = () => page.getByRole('button', { name: 'Record it' }).click()
  const now = page.getByLabel('Now')

  await wrong('Bleeder seized', 'bleeder rl')
  expect(await accessibilityFaults(page)).toEqual([])
  await recordIt()
  await expect(now.getByText('is seized: soak it')).toBeVisible()
  await expect(now.getByText('Stays good: rr')).toBeVisible()
  await goOnUntil(page, job, hoseOn)

  await wrong('Fluid spilled', 'The floor')
  await page.getByLabel('About how much').fill('80')
  await recordIt()
  await expect(now.getByText('80 mL spilled on the floor')).toBeVisible()

  await wrong('Fluid spilled', 'Pads, shoes, a disc or a drum')
  await recordIt()
  await expect(page.getByRole('alert')).toHaveText('Give mL.')
  await page.getByLabel('About how much').fill('5')
  await recordIt()
  await expect(now.getByText('Wetted pads or shoes replaced')).toBeVisible()
  await page.getByRole('button', { name: 'Done', exact: true }).click()

  await wrong('Hose or nut leaking', 'mc1 to right brake (A)')
  await recordIt()
  await expect(now.getByText('Starts again: rr')).toBeVisible()
  await expect(now.getByText('Mend mc1 to right brake')).toBeVisible()
  await page.getByRole('button', { name: 'Done', exact: true }).click()

  await wrong('Bleeder snapped', 'bleeder rr')
  await recordIt()
  await expect(now.getByText('new bleeder, or the part it broke in')).toBeVisible()
  // Taken back it counts as shut again, which is said by an act of its own.
  await page.getByRole('button', { name: 'Undo: what went wrong' }).click()
  await hold(page.getByRole('button', { name: 'rr was never opened' }))
  await wrong('Bleeder stripped, will not close', 'bleeder rr')
  await recordIt()
  await expect(now.getByText('Bleeder rr is stripped: new bleeder')).toBeVisible()
  await hold(page.getByRole('button', { name: 'rr is shut and sound' }))

  await wrong('Reservoir ran dry')
  await recordIt()
  await expect(now.getByText('Fill the reservoir slowly to MAX')).toBeVisible()
  await page.getByLabel('Poured in, mL').fill('150')
  await page.getByRole('button', { name: 'Poured', exact: true }).click()
  await expect(page.getByText('Bleed the cylinder at its ports')).toBeVisible()

  await page.getByRole('button', { name: 'Another container' }).click()
  await page.getByText('It has no label of ours').click()
  await page.getByLabel('Kind').selectOption('DOT 5')
  await page.getByRole('button', { name: 'pour from it' }).click()
  await expect(page.getByRole('alert')).toContainText('put DOT 5 back')
  await page.getByRole('button', { name: 'Another container' }).click()
  await page.getByText('It has no label of ours').click()
  await page.getByLabel('Batch').fill('K 77')
  await page.getByRole('button', { name: 'pour from it' }).click()

  await wrong('Wrong fluid poured', 'DOT 5', 'No: it is in the reservoir alone')
  await recordIt()
  await expect(now.getByText('Draw the reservoir empty')).toBeVisible()
  await page.getByRole('button', { name: 'Undo: what went wrong' }).click()
  await wrong('Wrong fluid poured', 'DOT 5', 'Yes, or not sure')
  await recordIt()
  await expect(page.getByText('This plan is at its end.')).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByRole('link', { name: 'Plan again' }).click()
  await expect(page.getByLabel('The plan in short')).toBeVisible()

  const { troubles, containers, checkIn, earlier } = await stateOf(page.request, job)
  expect(troubles.map(({ what }) => what)).toEqual([
    'seized',
    'spilled',
    'spilled',
    'leaking',
    'stripped',
    'ran-dry',
    'wrong-fluid',
  ])
  expect(containers).toMatchObject([{ batch: 'K 77' }])
  expect(checkIn?.work).toMatchObject({ reason: 'conversion', fluidFound: 'DOT 5' })
  expect(earlier[0]?.tally.spilledMl).toBe(85)
  await visit(page, `${job}/trace`)
  await expect(page.getByText('Went wrong: Bleeder rr snapped')).toBeVisible()
  await expect(page.getByText('(taken back)').first()).toBeAttached()
})

test('taking back “it is open” is an act of its own, since it records the bleeder as closed', async ({
  page,
}) => {
  const job = await plannedOn(page, harbourTug, 'OUT 2')
  await goOnUntil(page, job, ({ run }) => run?.call === 'open')
  await page.getByRole('button', { name: 'Undo: last call' }).click()
  await expect(page.getByRole('dialog')).toContainText('records rr as closed')
  await page.keyboard.press('c')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog')).toBeVisible()
  expect((await savedState(page, job)).run?.call).toBe('open')
  const never = page.getByRole('button', { name: 'rr was never opened' })
  await never.hover()
  await page.mouse.down()
  await expect(never).toBeHidden()
  await page.mouse.up()
  expect((await savedState(page, job)).run?.call).toBe('holding')
})

import { levelFirst } from '~core/job/levels'
import type { JobState } from '~core/job/state'
import { partsOf } from '~core/vehicle/parts'
import { stateOf } from '../test/http/job'
import { accessibilityFaults, expect, test } from './journey'
import { checkInAndTest } from './set-up'
import { goOnUntil, record, savedState, takeWay } from './steps'
import { bledToTheEnd, demo, example, finished, kindNow, stepNow, taken, tested } from './taken'

/** Work that a plan promised, carried through to the end of the bleed. */

test('by wire with an inverted bottle: the routine goes on past what the reservoir holds, and the bottle counts down', async ({
  page,
}) => {
  const job = await taken(page, example('hybrid-taxi'), 'BWR 1', checkInAndTest)
  await goOnUntil(page, job, ({ run }) => run?.bottleOn === true && run.call === 'open')
  await expect(page.getByText('Bottle on the reservoir')).toBeVisible()
  await page.getByRole('button', { name: 'Its mark' }).click()
  await page.getByRole('dialog').getByRole('textbox').fill('500')
  await page.getByRole('button', { name: 'Record the mark' }).click()
  await expect(page.getByText('500 mL by count')).toBeVisible()
  const before = await stateOf(page.request, job)
  for (let i = 0; i < 4; i++)
    await record(page, job, { type: 'pull-seen', ml: 80, colour: 'dark', bubbles: 'none' })
  const after = await stateOf(page.request, job)
  expect(after.run?.levelMl).toEqual(before.run?.levelMl)
  expect(after.run?.tankMl).toBe(180)
  await page.reload()
  await expect(page.getByText('180 mL by count')).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
  await bledToTheEnd(page, job)
})

test('a new cylinder: bench, fit, then the reservoir is filled, with what it really took', async ({
  page,
}) => {
  const job = await taken(page, demo('post-van-lhd'), 'BNH 1', async () => {
    await page.getByLabel('Repair').check()
    await page.getByText('What was opened or replaced?').click()
    await page.locator('input[name="replaced"][value="cylinder"]').check()
    await tested(page)
    await takeWay(page, 'pump-and-hold')
  })
  const first = await stateOf(page.request, job)
  expect(first.run?.stages.map(({ stage }) => stage.kind).slice(0, 2)).toEqual([
    'bench-bleed',
    'reservoir-exchange',
  ])
  await goOnUntil(page, job, (state) => stepNow(state) === 'fill-sealed')
  await expect(page.getByText('Fill the reservoir to MAX with new DOT 4.')).toBeVisible()
  await page.getByLabel('Poured in, mL').fill('365')
  await page.getByRole('button', { name: 'Poured', exact: true }).click()
  await expect(page.getByText('● saved')).toBeVisible()
  const filled = await stateOf(page.request, job)
  expect(filled.run?.levelMl.reservoir).toBe(390)
  expect(finished(filled)).toContain('cylinder')
  // The machine has looked at the fresh joints since: where the level stands now, somebody looks.
  await goOnUntil(page, job, (state) => levelFirst(state) !== undefined)
  await expect(page.getByText('The reservoir: where does it stand?')).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByRole('button', { name: 'Three quarters' }).click()
  const looked = await savedState(page, job)
  expect(levelFirst(looked)).toBeUndefined()
  const { minMl = 0 } = partsOf(looked.vehicle, 'reservoir')[0] ?? {}
  expect(looked.run?.levelMl.reservoir).toBeCloseTo(minMl + 0.75 * (390 - minMl), 6)
  await bledToTheEnd(page, job)
})

test('silicone out of a glycol van: wiped, bled, cycled, and a drop from each bleeder into water at the end', async ({
  page,
}) => {
  const job = await taken(page, demo('post-van-lhd'), 'CNV 1', async () => {
    await page.getByLabel('Wrong fluid').check()
    await page.getByLabel('DOT 5', { exact: true }).check()
    await tested(page)
  })
  await goOnUntil(page, job, (state) => stepNow(state) === 'water-drop')
  await expect(page.getByText('A drop from each bleeder into water: it mixes.')).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.getByText('● saved')).toBeVisible()
  await bledToTheEnd(page, job)
})

test('a motorcycle: the front is finished before anything of the rear is opened', async ({ page }) => {
  const job = await taken(page, demo('courier-motorcycle'), 'MCY 1', checkInAndTest)
  const drawsRear = (state: JobState) =>
    levelFirst(state) !== undefined && kindNow(state) === 'reservoir-exchange' && finished(state).length > 0
  await goOnUntil(page, job, drawsRear)
  const between = await stateOf(page.request, job)
  expect(kindNow(between)).toBe('reservoir-exchange')
  expect(finished(between)).toEqual(['F'])
  // Nobody has seen the rear one yet.
  await page.getByRole('button', { name: 'Half-way' }).click()
  await expect(
    page.getByText(/Draw the old fluid out of .*rear reservoir.* until about 8 mL is left/),
  ).toBeVisible()
  await bledToTheEnd(page, job)
})

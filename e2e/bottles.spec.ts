import type { Page } from '@playwright/test'
import { openPoints } from '~core/job/points'
import { harbourTug } from '~test/worlds/harbour-tug'
import { hoseOn } from '../test/http/job'
import { accessibilityFaults, expect, test, visit } from './journey'
import { plannedOn } from './set-up'
import { goOnUntil, savedState } from './steps'

/** Whether the shop bleeds by gravity. */
async function offersGravity(page: Page, yes: boolean) {
  await visit(page, '/settings')
  await page.getByRole('checkbox', { name: 'Gravity', exact: true }).setChecked(yes)
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Saved.')).toBeVisible()
}

test('by gravity several bottles run at once: each is looked at by itself, and closing one leaves the others running', async ({
  page,
}) => {
  await page.clock.install()
  await offersGravity(page, true)
  const job = await plannedOn(page, harbourTug, 'BTL 1', 'gravity')
  await goOnUntil(page, job, hoseOn)
  await page.getByRole('button', { name: 'It is open' }).click()
  const bottles = page.getByRole('region', { name: 'Bottles' })
  const free = bottles.getByRole('button', { name: 'Hang and open' })
  await free.first().click()
  await expect(bottles.getByText('2 of at most 4 run')).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByRole('button', { name: 'As new', exact: true }).click()
  await page.getByRole('button', { name: 'No bubbles', exact: true }).click()
  await bottles.getByRole('button', { name: 'runs: look' }).click()
  const { run } = await savedState(page, job)
  if (!run) throw new Error('there is no run')
  expect(openPoints(run)).toHaveLength(2)
  const [inHand, other] = openPoints(run)
  // Left for now, everything that stands open is named already.
  await page.getByRole('button', { name: 'Park this job' }).click()
  for (const id of [inHand, other]) await expect(page.getByRole('checkbox', { name: id })).toBeChecked()
  await page.keyboard.press('Escape')
  // A minute goes by unseen: what came meanwhile is asked for at closing, before the next one is gone on with.
  await page.clock.fastForward(60_000)
  await page.getByRole('button', { name: 'is CLOSED' }).hover()
  await page.mouse.down()
  await expect(page.getByText(`Closed. What came at bleeder ${inHand} since the last look?`)).toBeVisible()
  // The finger is still down where the next one's button will be.
  await page.mouse.up()
  expect(openPoints((await savedState(page, job)).run ?? run)).toEqual([other])
  await page.getByRole('button', { name: 'As new', exact: true }).click()
  await page.getByRole('button', { name: 'No bubbles', exact: true }).click()
  await expect(page.getByRole('button', { name: `${other} is CLOSED` })).toBeVisible()
  await expect(bottles.getByText('1 of at most 4 run')).toBeVisible()
  const after = await savedState(page, job)
  expect(after.run).toMatchObject({ call: 'open', callAt: other })
  await goOnUntil(page, job)
  await expect(page.getByText('Now prove it.')).toBeVisible()
  await offersGravity(page, false)
})

import { harbourTug } from '~test/worlds/harbour-tug'
import { hoseOn } from '../test/http/job'
import { DemoServer } from '../test/http/server'
import { accessibilityFaults, expect, reload, test } from './journey'
import { plannedOn } from './set-up'
import { goOnUntil, holdClosed, savedState } from './steps'

test('vacuum: drawn first, kept until the hose is off, and nothing lets it go while the bleeder is open', async ({
  page,
}) => {
  const job = await plannedOn(page, harbourTug, 'VAC 1', 'vacuum')
  await goOnUntil(page, job, hoseOn)
  await page.getByRole('button', { name: 'Vacuum stands' }).click()
  await expect(page.getByRole('button', { name: 'vacuum off' })).toBeVisible()
  await page.getByRole('button', { name: 'It is open' }).click()
  await expect(page.getByRole('button', { name: 'vacuum off' })).toBeHidden()
  await expect(page.getByRole('button', { name: 'Hose came off, vacuum lost' })).toBeVisible()
  await page.getByRole('button', { name: 'Amber' }).click()
  await page.getByRole('button', { name: 'No bubbles', exact: true }).click()
  await expect(page.getByLabel('Counts')).toContainText('of 1 pull')
  expect(await accessibilityFaults(page)).toEqual([])
  await holdClosed(page)
  await expect(page.getByText('Take the hose off with the vacuum still on')).toBeVisible()
  await page.getByRole('button', { name: 'Hose off, vacuum off' }).click()
  await expect(page.getByText('Hose on bleeder rr: draw the vacuum.')).toBeVisible()
})

test('pressed through: opened first, closed only by an act of its own, and the cab lets go after that alone', async ({
  page,
}) => {
  const job = await plannedOn(page, harbourTug, 'PRS 1', 'press-through')
  await goOnUntil(page, job, hoseOn)
  await page.getByRole('button', { name: 'It is open' }).click()
  await expect(page.getByText('STAY OFF THE PEDAL')).toBeVisible()
  // A tap is not the act that closes it.
  await page.getByRole('button', { name: 'is CLOSED' }).click()
  await page.getByRole('button', { name: 'Call PRESS' }).click()
  await page.getByRole('button', { name: 'down and holding' }).click()
  await expect(page.getByText('KEEP HOLDING')).toBeVisible()
  expect((await savedState(page, job)).run?.call).toBe('holding')
  await holdClosed(page)
  await expect(page.getByText('RELEASE', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'pedal is up' }).click()
  await expect(page.getByText('What did the pull bring?')).toBeVisible()
})

test('by machine: the bleeder stays open while it is looked at, pressure comes off before a leak is mended', async ({
  page,
}) => {
  const job = await plannedOn(page, harbourTug, 'PRS 1', 'pressure')
  await goOnUntil(page, job, ({ run }) => run?.call === 'open')
  await page.getByRole('button', { name: 'Its mark' }).click()
  await page.getByLabel('It stands at, mL').fill('60')
  await page.getByRole('button', { name: 'Record the mark' }).click()
  await expect(page.getByText('An empty one blows air into the system')).toBeVisible()
  await page.getByRole('button', { name: 'Dark brown' }).click()
  await page.getByRole('button', { name: 'Froth' }).click()
  await expect(page.getByRole('button', { name: 'is CLOSED' })).toBeVisible()
  await holdClosed(page)
  await page.getByRole('button', { name: 'Something went wrong' }).click()
  await page.getByRole('button', { name: 'Hose or nut leaking' }).click()
  await page.getByText('mc1 to right brake (A)', { exact: true }).click()
  await page.getByRole('button', { name: 'Record it' }).click()
  await expect(page.getByText('Let the machine’s pressure off.')).toBeVisible()
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.getByText('Gauge at zero: take the adapter off.')).toBeVisible()
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.getByText('Mend mc1 to right brake')).toBeVisible()
})

test('a hold is timed: early it is not done, a reload does not begin it anew, and over time it is', async ({
  page,
}) => {
  await page.clock.install()
  const job = await plannedOn(page, harbourTug, 'HLD 1', 'pump-and-hold')
  await goOnUntil(page, job, hoseOn)
  await page.getByRole('button', { name: 'Something went wrong' }).click()
  await page.getByRole('button', { name: 'Bleeder snapped' }).click()
  await page.getByText('bleeder rr', { exact: true }).click()
  await page.getByRole('button', { name: 'Record it' }).click()
  await expect(page.getByText('● saved')).toBeVisible()
  await goOnUntil(
    page,
    job,
    ({ run }) => run?.stages[run.stageIndex]?.stepsDone.includes('wipe-dry') === true,
  )
  await page.getByRole('button', { name: 'Held from now: 30 s' }).click()
  await expect(page.getByRole('button', { name: 'Keep holding' })).toBeDisabled()
  await expect(page.getByText('● saved')).toBeVisible()
  await page.clock.fastForward(20_000)
  await reload(page)
  await expect(page.getByRole('button', { name: /Keep holding: \d s/ })).toBeDisabled()
  await page.getByRole('button', { name: 'start the clock again' }).click()
  await page.clock.fastForward(11_000)
  await expect(page.getByRole('button', { name: 'Keep holding' })).toBeDisabled()
  // Its clock is put on once it knows of the start, not before.
  await expect(page.getByText('● saved')).toBeVisible()
  await DemoServer.at(page.url()).minuteOn()
  await page.clock.fastForward(20_000)
  await expect(page.getByText('Every joint dry.')).toBeVisible()
  expect((await savedState(page, job)).run?.timers).toHaveProperty('press-hard')
})

test('a level that does not fit what was counted asks where the fluid went', async ({ page }) => {
  const job = await plannedOn(page, harbourTug, 'GAP 1', 'pump-and-hold')
  await goOnUntil(page, job, hoseOn)
  await page.getByRole('button', { name: 'Level is not so' }).click()
  await page.getByLabel('Or exactly').fill('180')
  await page.getByRole('button', { name: 'Record the level' }).click()
  await expect(page.getByLabel('Counts')).toContainText('120 mL are missing')
  await expect(page.getByLabel('Counts')).toContainText('a leak, a spill or a pull not written down?')
  expect((await savedState(page, job)).run?.levelMl).toEqual({ res: 180 })
})

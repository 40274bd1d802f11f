import type { Page } from '@playwright/test'
import { accessibilityFaults, expect, test, visit } from './journey'
import { holdClosed } from './steps'

/** Through the steps before the first bleeder, whatever they ask. */
async function untilHoseOn(page: Page): Promise<void> {
  const hoseOn = page.getByRole('button', { name: 'Hose is on' })
  for (let i = 0; i < 25 && !(await hoseOn.isVisible()); i++) {
    const done = page.getByRole('button', { name: 'Done', exact: true })
    const level = page.getByRole('button', { name: 'At MAX' })
    if (await done.isVisible()) await done.click()
    else if (await level.isVisible()) await level.click()
    else {
      await page.getByRole('textbox').fill('120')
      await page.getByRole('button', { name: /^(Drawn out|Poured)$/ }).click()
    }
  }
}

test('practice: the same call with a helper who plays along, and nothing of it is anywhere afterwards', async ({
  page,
  request,
}) => {
  const sent: string[] = []
  page.on('request', (each) => each.method() !== 'GET' && sent.push(`${each.method()} ${each.url()}`))
  await visit(page, '/bench')
  const before = await (await request.get('/')).text()
  await page.getByRole('link', { name: 'Practise the call on a made-up vehicle' }).click()
  await expect(page.getByRole('heading', { name: 'Practice: nothing is recorded' })).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
  await untilHoseOn(page)
  await page.getByRole('button', { name: 'Hose is on' }).click()
  await page.getByRole('button', { name: 'Call PRESS' }).click()
  await expect(page.getByRole('status').filter({ hasText: /^HOLD$/ })).toBeVisible()
  await page.getByRole('button', { name: 'It is open' }).click()
  // A slip, by whoever plays the helper.
  await page.getByRole('button', { name: 'My foot slipped' }).click()
  await expect(page.getByText('The pedal came up: close it now.')).toBeVisible()
  await holdClosed(page)
  await expect(page.getByText('What did the pull bring?')).toBeVisible()
  await page.getByRole('button', { name: 'As new' }).click()
  await page.getByRole('button', { name: 'No bubbles' }).click()
  await expect(page.getByText('Air drawn in 1 time')).toBeVisible()
  expect(sent).toEqual([])
  const links = (html: string) => [...html.matchAll(/\/jobs\/(\w+)/g)].map(([, id]) => id).sort()
  expect(links(await (await request.get('/')).text())).toEqual(links(before))
})

test('practice with a closed hose: next to nothing comes at that wheel, and the trainee finds out what it was', async ({
  page,
}) => {
  await visit(page, '/practice?way=vacuum&hides=1')
  const seen = page.getByRole('region', { name: 'What you see and feel' })
  await expect(seen).toContainText('since the last look')
  await expect(seen.getByText('The hose of')).toBeHidden()
  await untilHoseOn(page)
  // What was drawn is gone from the reservoir that is shown.
  await expect(seen).toContainText('Reservoir')
  await seen.getByText('What was it?').click()
  await expect(seen.getByText('has closed up inside')).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
})

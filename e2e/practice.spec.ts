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
  await page.getByRole('button', { name: 'As new', exact: true }).click()
  await page.getByRole('button', { name: 'No bubbles', exact: true }).click()
  await expect(page.getByText('Air drawn in 1 time')).toBeVisible()
  expect(sent).toEqual([])
  const links = (html: string) => [...html.matchAll(/\/jobs\/(\w+)/g)].map(([, id]) => id).sort()
  expect(links(await (await request.get('/')).text())).toEqual(links(before))
})

/** What has come at the first bleeder by vacuum after some seconds of the page. */
async function cameAtFirst(page: Page, address: string): Promise<number> {
  await visit(page, address)
  await untilHoseOn(page)
  for (const name of ['Hose is on; vacuum stands', 'It is open'])
    await page.getByRole('button', { name }).click()
  await page.clock.runFor(8000)
  const seen = page.getByRole('region', { name: 'What you see and feel' })
  return Number(/([\d.]+) mL since the last look/.exec((await seen.textContent()) ?? '')?.[1])
}

test('practice with a closed hose: next to nothing comes at that wheel, and the trainee says which it is', async ({
  page,
}) => {
  const what = page.getByRole('region', { name: 'What is wrong with it?' })
  await page.clock.install()
  const on = '/practice?vehicle=ferry-hand-compact&way=vacuum'
  const sound = await cameAtFirst(page, `${on}&hides=0`)
  const first = /Bleeder (\w+) is CLOSED/.exec(
    (await page.getByRole('region', { name: 'Now' }).textContent()) ?? '',
  )?.[1]
  await what.getByRole('radio', { name: 'A hose is closed inside' }).check()
  const wheels = await what.getByRole('group', { name: 'At which wheel' }).locator('label').allTextContents()
  const address = `${on}&wheel=${wheels.indexOf(first ?? '')}&hides=`
  expect(await cameAtFirst(page, `${address}1`)).toBeLessThan(0.3 * sound)
  // What it shows is written down, so that it stands beside what it was.
  await page.getByRole('button', { name: 'At 0 mL: 0 mL more' }).click()
  await page.getByRole('button', { name: 'Dark brown' }).click()
  await page.getByRole('button', { name: 'No bubbles', exact: true }).click()
  await what.getByRole('radio', { name: 'The cylinder lets past its own seal' }).check()
  await what.getByRole('button', { name: 'That is it' }).click()
  await expect(what.getByText(/^✗ Not that/)).toBeVisible()
  await what.getByRole('radio', { name: 'A hose is closed inside' }).check()
  await what.getByRole('radio', { name: first, exact: true }).check()
  await what.getByRole('button', { name: 'That is it' }).click()
  await expect(what.getByText(/^✓ Right. The hose of .* has closed up inside/)).toBeVisible()
  await expect(what.getByRole('table')).toContainText('0 mL, Dark brown, no bubbles')
  expect(await accessibilityFaults(page)).toEqual([])
})

test('practice with a helper at another screen: their phone says what to do, and what they say counts', async ({
  page,
  browser,
}) => {
  await visit(page, '/practice?way=pump-and-hold&hides=0')
  await page.getByRole('button', { name: 'A helper at another screen' }).click()
  const code = await page.locator('p.font-mono').textContent()
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  await phone.goto(new URL(`/cab?code=${code}`, page.url()).href)
  await phone.getByRole('button', { name: 'Link this phone' }).click()
  await expect(page.getByText('A helper’s phone: ● linked')).toBeVisible()
  await untilHoseOn(page)
  // With a phone that shows the call the press is called by itself, as in the bay.
  await page.getByRole('button', { name: 'Hose is on' }).click()
  await expect(phone.getByRole('heading', { name: 'PRESS' })).toBeVisible()
  // Nobody plays along: it waits for the helper's own word.
  await phone.getByRole('button', { name: 'It is hard, I hold' }).click()
  await page.getByRole('button', { name: 'It is open' }).click()
  await expect(phone.getByText('OPEN', { exact: false }).first()).toBeVisible()
  expect(await accessibilityFaults(phone)).toEqual([])
  await page.getByRole('link', { name: 'Leave practice' }).click()
  await expect(phone.getByRole('heading', { name: 'DONE' })).toBeVisible()
  await phone.context().close()
})

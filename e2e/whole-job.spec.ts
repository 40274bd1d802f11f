import { brokenFiles, harbourTug } from '~test/worlds/harbour-tug'
import { openJobByForm, planTwoPersonByForm } from './by-form'
import { accessibilityFaults, expect, reload, test, visit } from './journey'
import { openJobOn, plannedOn, planTwoPerson } from './set-up'
import {
  holdClosed,
  lookClean,
  onePull,
  proveAll,
  pullsUntilDone,
  savedState,
  untilFirstBleeder,
} from './steps'

test('a vehicle this project does not ship is imported, planned, bled, proved and filed', async ({
  page,
}) => {
  const job = await openJobByForm(page, harbourTug, 'TUG 9')
  await page.clock.install()
  await expect(page.getByText('Pad wear alone takes about')).toBeVisible()
  await planTwoPersonByForm(page)
  await untilFirstBleeder(page)
  for (const bleeder of ['rr', 'rl']) {
    await page.getByRole('button', { name: 'Hose is on' }).click()
    await pullsUntilDone(page, '15')
    await expect(page.getByText(`Bleeder ${bleeder} is done`)).toBeVisible()
    await page.getByRole('button', { name: 'Tight, cap on' }).click()
  }
  await expect(page.getByRole('navigation', { name: 'Stations' })).toContainText('Prove (now)')
  await page.getByRole('link', { name: 'Go on to the proof' }).click()
  await expect(page.getByRole('link', { name: 'File it as not fit' })).toBeVisible()
  await proveAll(page)
  await page.getByRole('link', { name: 'All proved' }).click()
  await expect(page.getByLabel('Done by')).toHaveValue('Una Brack')
  await page.getByRole('button', { name: 'File it' }).click()
  await expect(page.getByText('✓ FIT TO DRIVE')).toBeVisible()
  await expect(page.getByText('nobody', { exact: true })).toBeVisible()

  await visit(page, '/logbook')
  await expect(page.getByRole('link', { name: 'TUG 9' })).toContainText('Fit to drive')
  await visit(page, `${job}/bleed`)
  await expect(page.getByText('this record is frozen')).toBeVisible()
})

test('what is exported is what was imported', async ({ page }) => {
  await openJobOn(page, harbourTug, 'TUG 10')
  await page.getByRole('link', { name: harbourTug.name }).click()
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Export the file' }).click()
  const stream = await (await download).createReadStream()
  let text = ''
  for await (const piece of stream) text += piece
  expect(JSON.parse(text)).toEqual(harbourTug)
})

test.describe('refused imports', () => {
  test.use({ expectedFailures: [/status of 400/] })
  test('three broken files are refused with what is wrong and where, and the plate stays typed', async ({
    page,
  }) => {
    await visit(page, '/vehicles')
    for (const { name, text, says } of brokenFiles) {
      await page
        .getByLabel('Vehicle file (.json)')
        .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) })
      await page.getByLabel('Plate').fill('KEPT 1')
      await page.getByRole('button', { name: 'Import' }).click()
      await expect(page.getByRole('alert')).toContainText(says)
      await expect(page.getByRole('alert')).toContainText(name)
      await expect(page.getByLabel('Plate')).toHaveValue('KEPT 1')
    }
  })
})

test('a reload in the middle of a bleed goes on exactly there', async ({ page }) => {
  const job = await plannedOn(page, harbourTug, 'TUG 11')
  await untilFirstBleeder(page)
  await page.getByRole('button', { name: 'Hose is on' }).click()
  await onePull(page)
  await lookClean(page, '10')
  await page.getByRole('button', { name: 'Call PRESS' }).click()
  await page.getByRole('button', { name: 'holding' }).click()
  await page.getByRole('button', { name: 'It is open' }).click()
  await expect(page.getByText('● saved')).toBeVisible()
  const before = await page.getByLabel('Counts').textContent()
  await reload(page)
  await expect(page.getByText('KEEP HOLDING')).toBeVisible()
  expect(await page.getByLabel('Counts').textContent()).toBe(before)
  await holdClosed(page)
  await expect(page.getByText('RELEASE', { exact: true })).toBeVisible()
  await visit(page, job)
  await expect(page).toHaveURL(/bleed$/)
})

test('by keyboard: space goes on, but only C then Enter closes the bleeder', async ({ page }) => {
  await plannedOn(page, harbourTug, 'TUG 12')
  await untilFirstBleeder(page)
  await page.getByRole('button', { name: 'Hose is on' }).click()
  for (const name of ['Call PRESS', 'The cab says: holding', 'It is open']) {
    await expect(page.getByRole('button', { name })).toBeEnabled()
    await page.keyboard.press('Space')
  }
  await expect(page.getByText('KEEP HOLDING')).toBeVisible()
  await page.keyboard.press('Space')
  await page.keyboard.press('Enter')
  await expect(page.getByText('KEEP HOLDING')).toBeVisible()
  await page.keyboard.press('c')
  await page.keyboard.press('Enter')
  await expect(page.getByText('RELEASE', { exact: true })).toBeVisible()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys of this screen' })).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'pedal is up' })).toBeFocused()
  await expect(page.getByRole('button', { name: 'pedal is up' })).toBeEnabled()
  await page.keyboard.press('Space')
  await expect(page.getByText('What did the pull bring?')).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
})

test('a foot switch that sends another key is learned by being pressed, goes on, and never closes', async ({
  page,
}) => {
  await plannedOn(page, harbourTug, 'TUG 13')
  await untilFirstBleeder(page)
  const learns = async (key: string) => {
    await page.keyboard.press('?')
    await page.getByRole('button', { name: 'Learn another foot switch' }).click()
    await page.keyboard.press(key)
  }
  await learns('c')
  await expect(page.getByRole('alert')).toContainText('says something else here')
  await page.keyboard.press('Escape')
  await learns('PageDown')
  await expect(page.getByRole('dialog')).toContainText('Here it sends PageDown')
  await page.keyboard.press('Escape')
  await page.reload()
  await expect(page.getByRole('button', { name: 'Hose is on' })).toBeEnabled()
  await expect(page.getByText('● saved')).toBeVisible()
  for (const name of ['Hose is on', 'Call PRESS', 'The cab says: holding', 'It is open']) {
    await expect(page.getByRole('button', { name })).toHaveAttribute('aria-disabled', 'false')
    await page.keyboard.press('PageDown')
  }
  await expect(page.getByText('KEEP HOLDING')).toBeVisible()
  await page.keyboard.press('PageDown')
  await expect(page.getByText('KEEP HOLDING')).toBeVisible()
})

test('the foot slips with the bleeder open: the count starts again, and the cab is never told to release', async ({
  page,
}) => {
  await plannedOn(page, harbourTug, 'TUG 13')
  await untilFirstBleeder(page)
  await page.getByRole('button', { name: 'Hose is on' }).click()
  await onePull(page)
  await lookClean(page, '10')
  for (const name of ['Call PRESS', 'holding', 'It is open', 'Foot slipped'])
    await page.getByRole('button', { name }).click()
  await expect(page.getByText('close it now')).toBeVisible()
  await expect(page.getByText('RELEASE', { exact: true })).toBeHidden()
  await expect(page.getByLabel('0 of 3 clean in a row')).toBeVisible()
  await holdClosed(page)
  await expect(page.getByText('What did the pull bring?')).toBeVisible()
})

test('a wrong tap is taken back, and the record keeps both', async ({ page }) => {
  const job = await plannedOn(page, harbourTug, 'TUG 15')
  await untilFirstBleeder(page)
  await page.getByRole('button', { name: 'Hose is on' }).click()
  await onePull(page)
  await lookClean(page, '10')
  await page.getByRole('button', { name: 'Undo: what the pull brought' }).click()
  await expect(page.getByText('What did the pull bring?')).toBeVisible()
  await lookClean(page, '20')
  await expect(page.getByLabel('Counts')).toContainText('20 of')
  const state = await savedState(page, job)
  expect(state.run?.bottleMl).toBe(20)
})

test('low fluid stops the call until somebody tops up', async ({ page }) => {
  await openJobOn(
    page,
    {
      ...harbourTug,
      parts: harbourTug.parts.map((part) => (part.id === 'res' ? { ...part, maxMl: 175 } : part)),
    },
    'TUG 14',
  )
  await planTwoPerson(page)
  await untilFirstBleeder(page)
  await page.getByRole('button', { name: 'Hose is on' }).click()
  await onePull(page)
  await lookClean(page, '15')
  await expect(page.getByText('Top up first')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Call PRESS' })).toBeHidden()
  // What is missing by the count is there already: one tap records it.
  await expect(page.getByLabel('Poured in, up to MAX; by count, mL')).toHaveValue('15')
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByRole('button', { name: 'Topped up: go on' }).click()
  await expect(page.getByRole('button', { name: 'Call PRESS' })).toBeVisible()
})

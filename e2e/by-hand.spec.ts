import type { CDPSession, Locator, Page } from '@playwright/test'
import { harbourTug } from '~test/worlds/harbour-tug'
import { accessibilityFaults, expect, test } from './journey'
import { plannedOn } from './set-up'
import { lookAsked, savedState } from './steps'

/** One way of working the bay: how something is pressed, typed into, and how a bleeder is said to be closed. */
type Hand = {
  press: (target: Locator) => Promise<void>
  goOn: (name: string) => Promise<void>
  type: (field: Locator, text: string) => Promise<void>
  closed: () => Promise<void>
  look: (colour: string) => Promise<void>
}

/** The whole bleed of two rear brakes, with whatever hand does it. */
async function bleedByHand(page: Page, hand: Hand): Promise<void> {
  await hand.goOn('Yes, the plate is the same')
  await hand.goOn('Done')
  await hand.type(page.getByLabel('Drawn out, mL'), '120')
  await hand.press(page.getByRole('button', { name: 'Drawn out' }))
  await hand.press(page.getByRole('button', { name: 'Poured', exact: true }))
  for (let step = 0; step < 3; step++) await hand.goOn('Done')
  for (const bleeder of ['rr', 'rl']) {
    await hand.goOn('Hose is on')
    const finished = page.getByText(`Bleeder ${bleeder} is done`)
    const next = page.getByRole('button', { name: 'Call PRESS' })
    for (let pull = 0; pull < 12; pull++) {
      await expect(finished.or(next)).toBeVisible()
      if (await finished.isVisible()) break
      for (const name of ['Call PRESS', 'The cab says: holding', 'It is open']) await hand.goOn(name)
      await expect(page.getByText('KEEP HOLDING')).toBeVisible()
      await hand.closed()
      await hand.goOn('The cab says: pedal is up')
      await expect(lookAsked(page).or(next)).toBeVisible()
      if (await lookAsked(page).isVisible()) await hand.look(pull < 2 ? 'Amber' : 'As new')
    }
    await expect(finished).toBeVisible()
    await hand.goOn('Tight, cap on')
  }
  await expect(page.getByText('Now prove it.')).toBeVisible()
  await hand.goOn('Go on to the proof')
  await expect(page.getByRole('heading', { name: 'Prove it' })).toBeVisible()
}

test.use({ viewport: { width: 1024, height: 768 } })

/** The button or link whose words begin so; a station that is done is not what is done now. */
function beginning(page: Page, words: string): Locator {
  const name = new RegExp(`^${words}`)
  return page.getByRole('button', { name }).or(page.getByRole('link', { name }))
}

/** Tab until something has the focus, as a person without a mouse does. */
async function tabTo(page: Page, target: Locator): Promise<void> {
  for (let i = 0; i < 80; i++) {
    if (await target.evaluate((element) => element === document.activeElement)) return
    await page.keyboard.press('Tab')
  }
  throw new Error(`Tab never reaches ${target}`)
}

test('a whole two-person bleed by keyboard alone', async ({ page }) => {
  const job = await plannedOn(page, harbourTug, 'KEY 1')
  await bleedByHand(page, {
    press: async (target) => {
      await tabTo(page, target)
      await page.keyboard.press('Enter')
    },
    // Space goes on, wherever the focus is; what it goes on with is read first.
    goOn: async (name) => {
      await expect(beginning(page, name)).toBeEnabled()
      await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
      await page.keyboard.press('Space')
    },
    type: async (field, text) => {
      await tabTo(page, field)
      await page.keyboard.type(text)
    },
    closed: async () => {
      await page.keyboard.press('c')
      await page.keyboard.press('Enter')
    },
    look: async (colour) => {
      const cleanAndNew = page.getByRole('button', { name: 'No bubbles, as new' })
      if (colour === 'As new' && (await cleanAndNew.isVisible())) return page.keyboard.press('5')
      const swatch = page.getByRole('button', { name: colour, exact: true })
      if ((await swatch.getAttribute('aria-pressed')) !== 'true') {
        await tabTo(page, swatch)
        await page.keyboard.press('Enter')
      }
      await page.keyboard.press('1')
    },
  })
  expect(await accessibilityFaults(page)).toEqual([])
  expect((await savedState(page, job)).run?.stages.at(-1)?.stage.kind).toBe('prove')
})

test.describe('with gloves', () => {
  test.use({ hasTouch: true })
  test('a whole two-person bleed by touch alone, every button of the bay at least 72 pixels high', async ({
    page,
    context,
  }) => {
    await plannedOn(page, harbourTug, 'TCH 1')
    const touch = await context.newCDPSession(page)
    const tap = (name: string) => beginning(page, name).tap()
    await bleedByHand(page, {
      press: (target) => target.tap(),
      goOn: tap,
      type: async (field, text) => {
        await field.tap()
        await field.fill(text)
      },
      closed: () => holdByTouch(touch, page.getByRole('button', { name: 'is CLOSED' })),
      look: async (colour) => {
        expect(await tooSmall(page)).toEqual([])
        await page.getByRole('button', { name: colour, exact: true }).tap()
        await page.getByRole('button', { name: 'No bubbles', exact: true }).tap()
      },
    })
  })
})

/** A finger that stays. */
async function holdByTouch(touch: CDPSession, button: Locator): Promise<void> {
  await button.scrollIntoViewIfNeeded()
  const box = await button.boundingBox()
  if (!box) throw new Error('there is nothing to hold')
  const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [at] })
  await expect(button).toBeHidden()
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] })
}

/** Buttons of the bay that a glove would miss. */
const tooSmall = (page: Page): Promise<string[]> =>
  page
    .locator('[data-bay] button:visible')
    .evaluateAll((buttons) =>
      buttons
        .filter((button) => button.getBoundingClientRect().height < 71)
        .map((button) => button.textContent ?? ''),
    )

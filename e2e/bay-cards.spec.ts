import { mkdirSync } from 'node:fs'
import type { Page } from '@playwright/test'
import coastguard from '~core/vehicle/examples/coastguard-saloon.json' with { type: 'json' }
import quad from '~core/vehicle/examples/farm-quad.json' with { type: 'json' }
import minibus from '~core/vehicle/examples/school-minibus.json' with { type: 'json' }
import charabanc from '../demo/vehicles/charabanc.json' with { type: 'json' }
import courier from '../demo/vehicles/courier-motorcycle.json' with { type: 'json' }
import postVan from '../demo/vehicles/post-van-lhd.json' with { type: 'json' }
import { accessibilityFaults, expect, test } from './journey'
import { openJobOn } from './set-up'
import { example } from './taken'

type Came = {
  name: string
  file: object
  plate: string
  reason: 'Routine exchange' | 'Hydraulic repair' | 'Wrong fluid'
  replaced?: string[]
  opened?: string[]
  empty?: boolean
  found?: string
  /** What must stand on the card, as a technician reads it. */
  says: RegExp[]
  alone?: boolean
}

/** Eight ways a vehicle comes in, each to the sheet that goes out to the bay. */
const cameIn: Came[] = [
  {
    name: 'routine, by machine',
    file: postVan,
    plate: 'CRD 1',
    reason: 'Routine exchange',
    says: [/Pressure at the reservoir/, /100 kPa/, /Gauge at zero: take the adapter off/],
  },
  {
    name: 'one hose replaced',
    file: minibus,
    plate: 'CRD 2',
    reason: 'Hydraulic repair',
    replaced: ['front left pipe'],
    says: [/FLI/, /FLO/, /Look for leaks/, /Wipe every joint/],
  },
  {
    name: 'motorcycle cylinder replaced',
    file: courier,
    plate: 'CRD 3',
    reason: 'Hydraulic repair',
    replaced: ['lever cylinder'],
    says: [/Bleed the cylinder on the bench/, /in the vice/, /hollow bolt/],
  },
  {
    name: 'used control unit fitted',
    file: postVan,
    plate: 'CRD 4',
    reason: 'Hydraulic repair',
    replaced: ['unit'],
    says: [/Control unit unplugged/, /plug the control unit in/, /Count the connectors back: control unit/],
  },
  {
    name: 'a unit by wire, its whole routine',
    file: example('hybrid-taxi'),
    plate: 'CRD 9',
    reason: 'Hydraulic repair',
    replaced: ['unit'],
    says: [/Unplug the level sensor/, /Let it run its own pump/, /Calibrate the valves/],
  },
  {
    name: 'silicone in a glycol car with a clutch',
    file: coastguard,
    plate: 'CRD 5',
    reason: 'Wrong fluid',
    found: 'DOT 5',
    says: [/Wipe the reservoir clean/, /CL/, /Concentric clutch slave/],
  },
  {
    name: 'charabanc with an old cap',
    file: charabanc,
    plate: 'CRD 6',
    reason: 'Routine exchange',
    says: [/Two-person, pump and hold/, /Adjust the shoes/, /One circuit: any leak/],
  },
  {
    name: 'nobody to help',
    file: quad,
    plate: 'CRD 7',
    reason: 'Routine exchange',
    alone: true,
    says: [/Solo with check valve/, /count them against the top-up count/],
  },
  {
    name: 'rotted lines, system empty',
    file: postVan,
    plate: 'CRD 8',
    reason: 'Hydraulic repair',
    replaced: ['rear left line', 'rear right line'],
    empty: true,
    says: [/Fill slowly/, /no more bubbles rise/, /Control unit’s routine/],
  },
]

/** The shop as it is for one person with a check valve. */
async function alone(page: Page, yes: boolean): Promise<void> {
  await page.goto('/settings')
  await page.getByLabel('People who can sit in the cab').fill(yes ? '0' : '1')
  await page.getByRole('checkbox', { name: 'Solo', exact: true }).setChecked(yes)
  await page.getByRole('checkbox', { name: 'Vacuum at the bleeder', exact: true }).setChecked(!yes)
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Saved.')).toBeVisible()
}

async function checkIn(
  page: Page,
  { reason, replaced = [], opened = [], empty, found }: Came,
): Promise<void> {
  await page.getByLabel(reason).check()
  if (replaced.length + opened.length > 0) {
    await page.getByText('What was opened or replaced?').click()
    for (const id of replaced) await page.locator(`input[name="replaced"][value="${id}"]`).check()
    for (const id of opened) await page.locator(`input[name="opened"][value="${id}"]`).check()
  }
  if (empty) await page.getByLabel('The whole system is empty').check()
  if (found) await page.getByLabel(found, { exact: true }).check()
  await page.getByLabel('Brown', { exact: true }).check()
  await page.getByRole('button', { name: 'Checked in' }).click()
  const plan = page.getByLabel('The plan in short')
  const reading = page.getByLabel('The tester shows')
  // One opened corner asks for no reading: it goes straight on to the plan.
  await expect(plan.or(reading)).toBeVisible()
  if (await reading.isVisible()) {
    await reading.fill('3,2')
    await page.getByRole('button', { name: 'Tested' }).click()
  }
  await expect(plan).toBeVisible()
}

/** Where cards are kept to be looked at; nowhere unless asked for. */
const keep = process.env.KEEP_CARDS

for (const came of cameIn)
  test(`${came.name}: from check-in to a bay card on one page of A4 and of Letter`, async ({ page }) => {
    if (came.alone) await alone(page, true)
    await openJobOn(page, came.file, came.plate)
    await checkIn(page, came)
    await page.getByRole('link', { name: 'Bay card' }).click()
    await expect(page.getByRole('heading', { name: 'Bay card' })).toBeVisible()
    for (const says of came.says) await expect(page.getByRole('main')).toContainText(says)
    expect(await accessibilityFaults(page)).toEqual([])
    if (keep) {
      mkdirSync(keep, { recursive: true })
      await page.setViewportSize({ width: 718, height: 1010 })
      await page.emulateMedia({ media: 'print' })
      await page.screenshot({ path: `${keep}/${came.plate}.png` })
    }
    for (const format of ['A4', 'Letter'] as const) {
      const pdf = await page.pdf({ format })
      expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g), format).toHaveLength(1)
    }
    if (came.alone) await alone(page, false)
  })

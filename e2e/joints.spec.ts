import { readFileSync } from 'node:fs'
import { bleedDone } from '~core/job/selectors'
import { accessibilityFaults, expect, test, visit } from './journey'
import { openJobOn } from './set-up'
import { goOnUntil, lastFill, proveAll, takeWay } from './steps'

const van = JSON.parse(readFileSync('core/vehicle/examples/parcel-van.json', 'utf8'))

test('a line opened: its joints by hand, tight, dry twice, wet once; a sensor left off keeps it here', async ({
  page,
}) => {
  test.setTimeout(180_000)
  await page.clock.install()
  const job = await openJobOn(page, van, 'JNT 1')
  await visit(page, `${job}/check-in?reason=repair&opened=front+left+pipe`)
  await page.getByLabel('Brown', { exact: true }).check()
  await page.getByRole('button', { name: 'Checked in' }).click()
  await takeWay(page, 'pump-and-hold')
  await page.getByRole('button', { name: 'Take this plan' }).click()
  await page.getByRole('button', { name: 'Yes, the plate is the same' }).click()

  await page.getByRole('button', { name: 'Off and on' }).click()
  await page.getByLabel('Where it belongs').fill('front left')
  await page.getByRole('button', { name: 'Sensor off' }).click()
  await page.getByRole('button', { name: 'Battery off' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'Battery' })).toContainText('waits until proved')
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByRole('button', { name: 'Not now' }).click()
  await page.getByRole('button', { name: 'Joints: 2' }).click()
  const joints = page.getByRole('region', { name: 'Joints that were opened' })
  await joints.getByRole('button', { name: 'front left pipe at unit: started by hand' }).click()
  await expect(joints.getByRole('button', { name: 'front left pipe at unit: tight' })).toBeDisabled()
  await joints.getByRole('button', { name: 'front left brake: started by hand' }).click()
  for (const end of ['unit', 'front left brake'])
    await joints.getByRole('button', { name: `front left pipe at ${end}: tight` }).click()
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByRole('button', { name: 'Not now' }).click()
  await expect(page.getByText('● saved')).toBeVisible()

  await goOnUntil(page, job, bleedDone)
  await visit(page, `${job}/prove`)
  const closed = page.getByRole('button', { name: 'Closed up: holds' })
  await closed.waitFor()
  if (await page.getByRole('button', { name: 'Poured to MAX' }).first().isVisible()) await lastFill(page)
  await page.getByRole('button', { name: 'Level at MAX: holds' }).click()
  await closed.click()
  await expect(page.getByRole('alert')).toContainText('Still off: sensor, front left')
  await page.getByRole('button', { name: 'Off and on: 2 still off' }).click()
  await page.getByRole('button', { name: 'Sensor, front left: back on' }).click()
  await page.getByRole('button', { name: 'Not now' }).click()
  const unit = (step: string) => joints.getByRole('button', { name: `front left pipe at unit: ${step}` })
  await unit('dry at rest').click()
  await unit('wet').click()
  await expect(joints).toContainText('was wet 1 ×')
  await expect(unit('tight')).toBeVisible()
  await proveAll(page)
  await expect(joints).toHaveCount(0)
  await page.getByRole('button', { name: 'Off and on: 1 still off' }).click()
  await page.getByRole('button', { name: 'Battery: back on' }).click()
  await page.getByRole('button', { name: 'Not now' }).click()
  await page.getByRole('link', { name: 'All proved' }).click()
  await page.getByRole('button', { name: 'File it' }).click()
  await expect(page.getByText('✓ FIT TO DRIVE')).toBeVisible()
})

import postVan from '../demo/vehicles/post-van-lhd.json' with { type: 'json' }
import { goOn, planned, record } from '../test/http/job'
import { accessibilityFaults, expect, test, visit } from './journey'
import { askerOf } from './set-up'
import { savedState } from './steps'

test('nothing comes at a wheel: port, unit, bleeder, counted strokes and the return, each recorded; the fault finder has them', async ({
  page,
}) => {
  const asker = await askerOf(page)
  const job = await planned(asker, postVan, 'NIL 1', 'pump-and-hold')
  for (let pull = 0; pull < 2; pull++) {
    await goOn(asker, job, ({ run }) => run?.lookDue === true && run.call === 'rest')
    await record(asker, job, { type: 'pull-seen', ml: 0, colour: 'brown', bubbles: 'none' })
  }
  await visit(page, `${job}/bleed`)
  const noticed = page.getByRole('region', { name: 'Noticed' })
  await expect(noticed).toContainText('2 pulls in a row')
  await noticed.getByRole('button', { name: 'Look where it stops' }).click()
  const sheet = page.getByRole('dialog', { name: 'Where does it stop?' })
  await expect(sheet).toContainText('cylinder’s port')
  expect(await accessibilityFaults(page)).toEqual([])
  await sheet.getByRole('button', { name: 'Fluid comes' }).click()
  await expect(sheet.getByRole('list', { name: 'Looked at' })).toContainText('port: fluid comes')
  await sheet.getByRole('button', { name: 'Fluid comes' }).click()
  await sheet.getByRole('button', { name: 'Nothing comes' }).click()
  await sheet.getByLabel('5 light strokes brought, mL').fill('three')
  await sheet.getByRole('button', { name: 'Record what came' }).click()
  await expect(sheet.getByRole('alert')).toBeVisible()
  await sheet.getByLabel('5 light strokes brought, mL').fill('3')
  await sheet.getByRole('button', { name: 'Record what came' }).click()
  await sheet.getByRole('button', { name: 'Does not free itself' }).click()
  await expect(sheet).toHaveCount(0)
  await expect(noticed).toContainText('its hose is likely closed up inside')
  await expect(page.getByText('● saved')).toBeVisible()
  expect((await savedState(page, job)).turned).toHaveLength(2)
  await expect(page.getByRole('button', { name: 'Joints: 2' })).toBeVisible()
  await noticed.getByRole('link', { name: 'Find the fault' }).click()
  const found = page.getByRole('region', { name: 'Nothing comes at one bleeder' })
  await expect(found).toContainText('Bleeder out')
  await expect(found).toContainText('Return')
})

import postVan from '../demo/vehicles/post-van-lhd.json' with { type: 'json' }
import { expect, test, visit } from './journey'
import { openJobOn } from './set-up'
import { goOnUntil, savedState } from './steps'
import { stepNow, tested } from './taken'

test('new pads: room is made, pistons go home, the level is looked at anew, and they are seated before the proof', async ({
  page,
}) => {
  const job = await openJobOn(page, postVan, 'PADS 1')
  await page.getByLabel('Routine exchange').check()
  const pads = page.getByRole('group', { name: /^New pads/ })
  for (const side of ['left', 'right']) await pads.getByLabel(`Front ${side} caliper`).check()
  await expect(page.getByText('36 mL more than there is room for, if it stands at MAX')).toBeVisible()
  await tested(page)
  await page.getByRole('button', { name: 'Take this plan' }).click()
  await page.getByRole('button', { name: 'Yes, the plate is the same' }).click()
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  // Nobody has said how full it is: what is drawn counts from there.
  await page.getByRole('button', { name: 'At MAX' }).click()
  await expect(page.getByText('Draw the reservoir down to about 354 mL first')).toBeVisible()
  await expect(page.getByLabel('Drawn out, mL')).toHaveValue('36')
  await page.getByRole('button', { name: 'Drawn out' }).click()
  await expect(
    page.getByText('Press the pistons of front left caliper, front right caliper home'),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.getByText('The reservoir: where does it stand?')).toBeVisible()
  expect((await savedState(page, job)).run?.levelMl).toEqual({})
  await goOnUntil(page, job, (state) => stepNow(state) === 'pistons-seated')
  await expect(page.getByText('the pistons come out to the new pads')).toBeVisible()
  await goOnUntil(page, job)
  await expect(page.getByText('Now prove it.')).toBeVisible()
  await visit(page, `${job}/check-in`)
  await expect(pads.getByLabel('Front left caliper')).toBeChecked()
})

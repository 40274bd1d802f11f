import postVan from '../demo/vehicles/post-van-lhd.json' with { type: 'json' }
import { Device } from './device'
import { expect, test, visit } from './journey'
import { plannedOn } from './set-up'
import { linkPhone, savedState } from './steps'
import { helper, Technician } from './technician'

let scale: Device
test.beforeEach(async ({ page }) => {
  scale = await Device.start('scale')
  await visit(page, '/policy')
  await page.getByLabel('Port of the scale').fill(String(scale.port))
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Saved.')).toBeVisible()
})
test.afterEach(() => scale.end())

/** The first bleeder alone, about forty pulls, and all that comes before it; `WHOLE=yes` goes through all of the exchange. */
const isWhole = process.env.WHOLE === 'yes'

test('a routine exchange with the bottle on a scale: nobody taps an amount, nor that it is open', async ({
  page,
  browser,
  server,
}) => {
  test.setTimeout(600_000)
  const job = await plannedOn(page, postVan, 'SCL 1')
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, baseURL: server.url })
  const technician = new Technician(page, job, scale)
  const { touched } = technician
  await linkPhone(page, context.request, server.url)
  const cab = await context.newPage()
  await cab.goto('/cab/screen')
  await technician.next()
  await page.getByRole('button', { name: 'Weigh the bottle' }).click()
  touched.bay++
  await expect(page.getByLabel('Scale')).toContainText('mL')
  const bleederDone = page.getByRole('button', { name: 'Tight, cap on' })
  // One step, or every act looks through all the steps before it.
  await test.step('pull by pull', async () => {
    const end = helper(cab, technician)
    while (await technician.next()) if (!isWhole && (await bleederDone.isVisible())) break
    await end()
  })
  await context.close()
  console.log(
    `${touched.bay} acts at the bay, ${touched.phone} on the phone, ${touched.pulls} pulls, ${touched.looks} looks, ${touched.topUps} fills`,
  )
  expect(touched.bay).toBeLessThanOrEqual(2.05 * touched.pulls)
  const { run } = await savedState(page, job)
  const passed = run?.stages.flatMap(({ at }) => Object.values(at)).reduce((sum, { ml }) => sum + ml, 0) ?? 0
  // What the job counts is what ran into the bottle.
  expect(Math.abs(passed - technician.passedMl)).toBeLessThan(0.01 * technician.passedMl + 2)
})

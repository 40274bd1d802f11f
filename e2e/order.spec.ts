import smithyRoadster from '~core/vehicle/examples/smithy-roadster.json' with { type: 'json' }
import { accessibilityFaults, expect, test } from './journey'
import { checkInAndTest, openJobOn } from './set-up'
import { takeWay } from './steps'

// Taking a plan without saying why is refused.
test.use({ expectedFailures: [/status of 400 .*plan\.data/] })

test('the combined brake-and-clutch car: drawn, planned, its order changed with a warning that stays in the record', async ({
  page,
}) => {
  const job = await openJobOn(page, smithyRoadster, 'SMY 5')
  await checkInAndTest(page)
  await takeWay(page, 'pump-and-hold')
  const order = page.getByRole('region', { name: 'Order', exact: true })
  const rows = order.getByRole('listitem').filter({ has: page.getByRole('button', { name: 'up' }) })
  const warned = order.getByRole('status').filter({ hasText: /Mind|what is clean/ })
  await expect(rows).toHaveText([/RR/, /RL/, /FR/, /FL/, /CL/])

  // By keyboard: the clutch before the last wheel.
  await order.getByRole('button', { name: 'Move CL up' }).focus()
  await page.keyboard.press('Enter')
  await expect(rows).toHaveText([/RR/, /RL/, /FR/, /CL/, /FL/])
  await expect(warned).toContainText('CL before FL: at every release the clutch sends old fluid back')
  await expect(page.getByRole('img', { name: 'Smithy roadster from above' })).toContainText('bleeder CL')

  // By drag: a wheel before another, which brings nothing old into what is clean.
  await page.getByRole('button', { name: 'Move CL down' }).click()
  await expect(order.getByText('Furthest first.')).toBeVisible()
  const handle = (id: string) => rows.filter({ hasText: id }).locator('[aria-hidden]').first()
  await handle('FR').scrollIntoViewIfNeeded()
  await handle('FL').hover()
  const goal = await handle('FR').boundingBox()
  if (!goal) throw new Error('FR has no handle to be seen')
  await page.mouse.down()
  await page.mouse.move(goal.x + goal.width / 2, goal.y + goal.height / 2, { steps: 8 })
  // What stood there makes room, and the page says so, before the finger lets go.
  await expect(page.getByText('FL over FR.')).toBeAttached()
  await page.mouse.up()
  await expect(rows).toHaveText([/RR/, /RL/, /FL/, /FR/, /CL/])
  await expect(warned).toContainText('nothing old into what is clean')

  await order.getByRole('button', { name: 'Back to RR, RL, FR, FL, CL' }).click()
  await page.getByRole('button', { name: 'Move CL up' }).click()
  await expect(rows).toHaveText([/RR/, /RL/, /FR/, /CL/, /FL/])
  await page.getByRole('button', { name: 'Take this plan' }).click()
  await expect(order.getByRole('alert')).toContainText('Say why the order is changed')
  await page.getByLabel('Why this order?').fill('the clutch is open anyway')
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByRole('button', { name: 'Take this plan' }).click()
  await expect(page.getByText('Is this the vehicle in front of you?')).toBeVisible()

  await page.goto(`${job}/record`)
  await expect(page.getByText('set by hand, RR, RL, FR, CL, FL (usual: RR, RL, FR, FL, CL)')).toBeVisible()
  await expect(page.getByText('the clutch is open anyway')).toBeVisible()
  await expect(page.getByText('Warned: CL before FL')).toBeVisible()
})

test('what each school would do stands beside the chosen order', async ({ page }) => {
  await openJobOn(page, smithyRoadster, 'SMY 6')
  await checkInAndTest(page)
  await page.getByText('What each school would do').click()
  const order = page.getByRole('region', { name: 'Order', exact: true })
  await expect(order).toContainText('At place 1 it takes FL, not RR: its run is 1.5 m, the other’s 4.35 m.')
  await page.getByLabel('Order of wheels').selectOption('Nearest first')
  await expect(order).toContainText('At place 1 it takes RR, not FL: its run is 4.35 m, the other’s 1.5 m.')
})

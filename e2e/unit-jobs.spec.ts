import type { Page } from '@playwright/test'
import { Device } from './device'
import { expect, test, visit } from './journey'
import { example, taken, tested } from './taken'
import { Workshop } from './workshop'

/** The shop has a scan tool on a port, with this vehicle behind it. */
async function withTool(page: Page, vehicle: string): Promise<Device> {
  const tool = await Device.start('scan-tool', `core/vehicle/examples/${vehicle}.json`)
  await visit(page, '/policy')
  await page.getByLabel('Port of the scan tool').fill(String(tool.port))
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Saved.')).toBeVisible()
  return tool
}

/** Nothing was opened: air is looked for everywhere, in the unit too. */
const softPedal = async (page: Page) => {
  await page.getByLabel('Soft pedal').check()
  await tested(page)
}

test('crossed calls drew air in; wheel by wheel by the unit takes it out, and the pedal is high again', async ({
  page,
}) => {
  test.setTimeout(240_000)
  const tool = await withTool(page, 'electric-post-van')
  // The wheel says down, the cab thinks up: each time the pedal comes up with the bleeder open.
  for (const bleeder of ['FR', 'FL', 'RR', 'RL', 'FR', 'FL', 'RR', 'RL', 'FR', 'FL']) {
    await tool.act({ do: 'foot', down: true })
    await tool.act({ do: 'turn', bleeder })
    await tool.act({ do: 'foot', down: false })
    await tool.act({ do: 'turn' })
  }
  await tool.act({ do: 'drive' })
  const job = await taken(page, example('electric-post-van'), 'UNT 11', softPedal)
  const shop = new Workshop(page, job, tool)
  const before = await shop.shown()
  expect(before.airMl).toBeGreaterThan(1)
  await shop.goOn()
  await expect(page.getByText('Now prove it.')).toBeVisible()
  const after = await shop.shown()
  console.log(after)
  expect(after.airMl).toBeLessThan(0.2)
  await shop.prove()
  await shop.file()
  await tool.end()
})

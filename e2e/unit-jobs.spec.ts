import type { Page } from '@playwright/test'
import { currentStep } from '~core/job/steps'
import { accessibilityFaults, expect, test, visit } from './journey'
import { savedState, takeWay } from './steps'
import { demo, example, stepNow, taken, tested, unitReplaced, withTool } from './taken'
import { Workshop } from './workshop'

const ofExample = (name: string) => `core/vehicle/examples/${name}.json`

/** By two, as bubbles that a vacuum draws past a thread never end; its reason where that is not the usual way. */
const byTwo = async (page: Page) => {
  await tested(page)
  await takeWay(page, 'pump-and-hold')
}
/** Nothing was opened: air is looked for everywhere, in the unit too. */
const softPedal = async (page: Page) => {
  await page.getByLabel('Soft pedal').check()
  await byTwo(page)
}
const replacedUnit = (page: Page) => unitReplaced(page, byTwo)

/** Both numbers of a unit, on its page. */
async function fitted(page: Page, job: string, { number, origin }: { number: string; origin: string }) {
  await visit(page, `${job}/unit`)
  await page.getByLabel('Number on the one that goes in').fill(number)
  await page.getByLabel(origin, { exact: true }).check()
  await page.getByLabel('Clean and whole').check()
  await page.getByRole('button', { name: 'Record its numbers' }).click()
  await savedState(page, job)
}

// Whole jobs: three hundred pulls and more each, so that nobody waits for one of them alone at the end of a run.
test.describe.configure({ mode: 'parallel' })
test.setTimeout(600_000)

test('crossed calls drew air in; wheel by wheel by the unit takes it out, and it is filed', async ({
  page,
}) => {
  const tool = await withTool(page, ofExample('electric-post-van'))
  // The wheel says down, the cab thinks up: each time the pedal comes up with the bleeder open.
  for (const bleeder of ['FR', 'FL', 'RR', 'RL', 'FR', 'FL', 'RR', 'RL', 'FR', 'FL']) {
    await tool.act({ do: 'foot', down: true })
    await tool.act({ do: 'turn', bleeder })
    await tool.act({ do: 'foot', down: false })
    await tool.act({ do: 'turn' })
  }
  const job = await taken(page, example('electric-post-van'), 'UNT 11', softPedal)
  const shop = new Workshop(page, job, tool)
  expect((await shop.shown()).airMl).toBeGreaterThan(1)
  await shop.goOn()
  await expect(page.getByText('Now prove it.')).toBeVisible()
  expect((await shop.shown()).airMl).toBeLessThan(0.1)
  await shop.prove()
  await shop.file()
  await tool.end()
})

test('a motorcycle’s unit powered too early locks air in, and its routine moves nothing: the proof finds it on the road', async ({
  page,
}) => {
  const tool = await withTool(page, ofExample('rescue-motorcycle'))
  await tool.act({ do: 'comes-in', closedMl: 0, openMl: 6 })
  await tool.act({ do: 'power', on: false })
  await tool.act({ do: 'power', on: true })
  await tool.dials({ mood: 'says so and works nothing', pumpS: 1 })
  const job = await taken(page, example('rescue-motorcycle'), 'UNT 12', replacedUnit)
  const shop = new Workshop(page, job, tool)
  const locked = (await shop.shown()).closedAirMl
  expect(locked).toBeGreaterThan(1)
  await shop.read()
  await fitted(page, job, { number: 'CU 70-114', origin: 'New' })
  await visit(page, `${job}/bleed`)
  await shop.goOn()
  const { run } = await savedState(page, job)
  const kinds = run?.stages
    .map(({ stage }) => stage.kind)
    .filter((kind) => ['bleed', 'control-unit'].includes(kind))
  expect(kinds).toEqual(['bleed', 'control-unit', 'bleed', 'control-unit', 'bleed'])
  expect((await shop.shown()).closedAirMl).toBeGreaterThan(1)
  await shop.prove('unit-worked')
  await visit(page, `${job}/unit`)
  await expect(page.getByText('air came out of its closed branches')).toBeVisible()
  // Bled again with a routine that does its work: then the proof holds.
  await tool.dials({ mood: 'sound' })
  await visit(page, `${job}/prove`)
  await page.getByRole('button', { name: 'Firm after the unit has worked: fails' }).click()
  await page.getByLabel('Bleed again, because').fill('air came out of the unit')
  await page.getByRole('button', { name: 'Bleed again' }).click()
  await savedState(page, job)
  await shop.goOn()
  expect((await shop.shown()).airMl).toBeLessThan(0.2)
  await shop.prove()
  await shop.file()
  await tool.end()
})

test('by wire: every wait by the tool, a sensor left unplugged is caught by its code, and it is filed', async ({
  page,
}) => {
  const tool = await withTool(page, ofExample('hybrid-taxi'))
  await tool.dials({ pumpS: 1 })
  const job = await taken(page, example('hybrid-taxi'), 'UNT 13', replacedUnit)
  const shop = new Workshop(page, job, tool)
  await shop.read()
  await fitted(page, job, { number: 'CU 70-114', origin: 'New' })
  await visit(page, `${job}/bleed`)
  await shop.goOn((state) => stepNow(state) === 'procedure-unplug')
  await tool.act({ do: 'sensor', what: 'level-sensor', plugged: false })
  // Somebody taps the step that plugs it back in, and forgets the plug.
  await shop.goOn()
  await expect(page.getByText('Now prove it.')).toBeVisible()
  await shop.prove('units-sound')
  await shop.read({ calibration: 'done' })
  await expect(page.getByText('still has L101.')).toBeVisible()
  await visit(page, `${job}/prove`)
  await expect(page.getByText('still has L101.').first()).toBeVisible()
  await tool.act({ do: 'sensor', what: 'level-sensor', plugged: true })
  await shop.prove()
  await shop.file()
  await tool.end()
})

test('a used unit of another number stays unplugged, a code that comes back on the drive keeps the job open', async ({
  page,
}) => {
  const tool = await withTool(page, 'demo/vehicles/post-van-rhd.json')
  await tool.dials({ pumpS: 1 })
  const job = await taken(page, demo('post-van-rhd'), 'UNT 14', replacedUnit)
  const shop = new Workshop(page, job, tool)
  await shop.read()
  await fitted(page, job, { number: 'CU 70-117', origin: 'Used' })
  await expect(page.getByText('CU 70-117 is fitted where CU 70-114 came out').first()).toBeVisible()
  await fitted(page, job, { number: 'CU 70-114', origin: 'Used' })
  await tool.act({ do: 'code', code: 'C214', text: 'Pump supply', real: true, onDrive: true })
  await visit(page, `${job}/bleed`)
  await shop.goOn()
  await visit(page, `${job}/unit`)
  await page.getByRole('button', { name: 'Clear its codes' }).click()
  await expect(page.getByText('Codes cleared.')).toBeVisible()
  await shop.prove('units-after-drive')
  await shop.read()
  await expect(page.getByText('still has C214.')).toBeVisible()
  // What rested on its being sound is to be proved anew: it cannot be filed as fit.
  const { proofs } = await savedState(page, job)
  expect([proofs['units-sound'], proofs['road-test']]).toEqual([undefined, undefined])
  // Its pump's supply is mended; then it is proved and driven anew.
  await tool.act({ do: 'mend' })
  await visit(page, `${job}/unit`)
  await page.getByRole('button', { name: 'Clear its codes' }).click()
  await expect(page.getByText('Codes cleared.')).toBeVisible()
  await shop.prove()
  await shop.file()
  await tool.end()
})

test('a module away for repair: its ports capped, the job parked until it is back, and it is filed', async ({
  page,
}) => {
  const tool = await withTool(page, ofExample('school-minibus'))
  await tool.act({ do: 'comes-in', closedMl: 0, openMl: 10 })
  await tool.dials({ pumpS: 1 })
  const job = await taken(page, example('school-minibus'), 'UNT 16', replacedUnit)
  const shop = new Workshop(page, job, tool)
  await shop.read()
  // Long before the bleed, from the unit’s own page.
  await page.getByRole('button', { name: 'Off and on' }).click()
  await page.getByText('A part that leaves the hydraulics open').click()
  await page.getByLabel('Where it sat').fill('left wing')
  await page.getByLabel('Sent to').fill('Repair bench, harbour')
  await page.getByLabel('Expected back on').fill('2026-01-05')
  // Whatever order this browser writes it in.
  await expect(page.getByText('5 Jan 2026', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'It is off', exact: true }).click()
  await expect(page.getByText('Not yet: cap every port')).toBeVisible()
  await page.getByLabel('Every port that it leaves open is capped').check()
  await page.getByRole('button', { name: 'It is off', exact: true }).click()
  const away = 'Control unit, left wing, away at Repair bench, harbour, expected back on 5 Jan 2026'
  await expect(page.getByText(away)).toBeVisible()
  expect(await accessibilityFaults(page)).toEqual([])
  await page.getByRole('button', { name: 'Not now' }).click()
  await page.getByRole('button', { name: 'Park this job' }).click()
  await page.getByLabel('Why', { exact: true }).fill('its module is away')
  await page.getByRole('button', { name: 'Park it' }).click()
  await expect(page.getByText(`${away}.`)).toBeVisible()
  // A screen shows an act before it is sent.
  await savedState(page, job)
  await visit(page, '/')
  await expect(page.getByRole('link', { name: 'UNT 16' })).toContainText('overdue: control unit, left wing')
  await visit(page, job)
  await page.getByText('Yes, all of it').click()
  await page.getByRole('button', { name: 'I looked: go on with it' }).click()
  await savedState(page, job)
  await visit(page, `${job}/bleed`)
  await page.getByRole('button', { name: 'Off and on: 1 still off' }).click()
  await page.getByRole('button', { name: 'back on' }).click()
  await page.getByRole('button', { name: 'Not now' }).click()
  await savedState(page, job)
  await fitted(page, job, { number: 'CU 70-114', origin: 'Repaired' })
  await visit(page, `${job}/bleed`)
  await shop.goOn()
  expect((await shop.shown()).airMl).toBeLessThan(0.2)
  await shop.prove()
  await shop.file()
  await tool.end()
})

test('cycles before anybody buys a cylinder: the unit’s own air was the soft pedal', async ({ page }) => {
  const tool = await withTool(page, ofExample('parcel-van'))
  await tool.act({ do: 'comes-in', closedMl: 4 })
  await tool.dials({ pumpS: 1 })
  const job = await taken(page, example('parcel-van'), 'UNT 15', softPedal)
  const shop = new Workshop(page, job, tool)
  await shop.goOn((state) => state.run?.stages[state.run.stageIndex]?.stage.kind === 'control-unit')
  expect((await shop.shown()).closedAirMl).toBeGreaterThan(3)
  await shop.goOn()
  expect((await shop.shown()).airMl).toBeLessThan(0.5)
  const { run, standing } = await savedState(page, job)
  expect(run && currentStep({ run, standing })).toBeUndefined()
  await shop.prove()
  await shop.file()
  await tool.end()
})

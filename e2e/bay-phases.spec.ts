import { execFileSync } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DemoServer } from '../test/http/server'
import { signIn } from '../test/http/sign-in'
import { misfits } from './fit'
import { expect, test, visit } from './journey'

/** What stands in the bay. */
const BAY = { width: 1024, height: 768 }
const windows = [{ width: 1280, height: 800 }, BAY, { width: 390, height: 844 }]

type Phase = { name: string; jobId: string }

/** A shop with one job in every phase that the bay knows. */
async function everyPhase() {
  const folder = mkdtempSync(join(tmpdir(), 'siphon-phases-'))
  const made = execFileSync('node', ['build/node/phases-shop.js', folder], { encoding: 'utf8' })
  const phases = JSON.parse(made) as { call: Phase[]; routine: Phase[] }
  return { ...phases, server: await DemoServer.start(folder) }
}

/** Looked at before anything is gone on with, on a page as at the desk. */
const AT_REST = 'Parked'
/** What follows one another at every pull. */
const PULL = ['rest', 'press', 'holding', 'open', 'closed'].map((each) => `Two-person: ${each}`)

test('in every phase the bay’s main act is in sight, at every pull in one place, and everything is for gloves', async ({
  page,
}) => {
  test.setTimeout(400_000)
  const { call, routine, server } = await everyPhase()
  await signIn(page.request, server.url)
  const feet = new Map<number, Record<string, number>>(windows.map(({ width }) => [width, {}]))
  const look = async ({ name, jobId }: Phase, sizes: typeof windows) => {
    await visit(page, `${server.url}/jobs/${jobId}/bleed`)
    for (const { width, height } of sizes) {
      await page.setViewportSize({ width, height })
      expect.soft(await misfits(page, name === AT_REST ? 44 : 72), `${name}, ${width}`).toEqual([])
      const act = page.locator('.now-act:not(:empty)')
      const box = (await act.count()) > 0 ? await act.boundingBox() : null
      if (!box) continue
      const foot = Math.round(box.y + box.height)
      expect.soft(foot, `${name}, ${width}`).toBeLessThanOrEqual(height)
      Object.assign(feet.get(width) ?? {}, { [name]: foot })
    }
  }
  for (const phase of call) await look(phase, windows)
  for (const phase of routine) await look(phase, [BAY])
  for (const [width, at] of feet) {
    const places = PULL.map((name) => at[name])
    expect(new Set(places).size, `${width}: ${places}`).toBe(1)
  }
  await page.goto('about:blank')
  await server.end()
})

import { execFileSync } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DemoServer } from '../test/http/server'
import { signIn } from '../test/http/sign-in'
import { misfits } from './fit'
import { expect, test, visit } from './journey'

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
  for (const { width, height, phases } of [
    { width: 1280, height: 800, phases: call },
    { width: 1024, height: 768, phases: [...call, ...routine] },
    { width: 390, height: 844, phases: call },
  ]) {
    await page.setViewportSize({ width, height })
    const feet: Record<string, number> = {}
    for (const { name, jobId } of phases) {
      await visit(page, `${server.url}/jobs/${jobId}/bleed`)
      expect.soft(await misfits(page, name === AT_REST ? 44 : 72), `${name}, ${width}`).toEqual([])
      const act = page.locator('.now-act:not(:empty)')
      const box = (await act.count()) > 0 ? await act.boundingBox() : null
      if (box) feet[name] = Math.round(box.y + box.height)
    }
    const places = PULL.map((name) => feet[name])
    expect(new Set(places).size, `${width}: ${places}`).toBe(1)
    expect(Math.max(...Object.values(feet)), `${width}`).toBeLessThanOrEqual(height)
  }
  await page.goto('about:blank')
  await server.end()
})

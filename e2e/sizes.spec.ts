import type { RouteConfigEntry } from '@react-router/dev/routes'
import routes from '../app/routes'
import { misfits } from './fit'
import { accessibilityFaults, expect, test, visit } from './journey'
import { screens } from './screen-list'

const windows = [
  { width: 1280, height: 800 },
  { width: 1024, height: 768 },
  { width: 390, height: 844 },
] as const
/** At the vehicle hands are in gloves. */
const FOR_GLOVES = new Set(['bleed', 'cab code'])

/** Every address that has a page, as a pattern. */
const pages = (entries: readonly RouteConfigEntry[], under = ''): { pattern: RegExp; file: string }[] =>
  entries.flatMap(({ path, file, children, index }) => {
    const address = path === undefined ? under : `${under}/${path}`
    if (children) return pages(children, address)
    if (!file.endsWith('.tsx') || path === '*') return []
    const pattern = index && address === '' ? '/' : address.replaceAll(/:\w+/g, '[^/]+')
    return [{ pattern: RegExp(`^${pattern}$`), file }]
  })
/** Leads on by itself; has a linked phone, and journeys of its own. */
const NO_SCREEN_HERE = new Set(['routes/job/job-now.tsx', 'routes/cab/cab-screen.tsx'])

test('no address that has a page is left out', async ({ page }) => {
  const paths = Object.values(await screens(page)).map((path) => path.replace(/\?.*/, ''))
  const left = pages(await routes).filter(({ pattern }) => !paths.some((path) => pattern.test(path)))
  expect(left.map(({ file }) => file).filter((file) => !NO_SCREEN_HERE.has(file))).toEqual([])
})

/** Each is looked at by a test of its own: what is wrong in one is told while the others go on. */
const PARTS = [0, 1, 2, 3]

for (const part of PARTS)
  test(`every screen at every size, by day and by night, has its main action in sight, nothing cut, sideways or too small, and nothing that axe finds: part ${part + 1} of ${PARTS.length}`, async ({
    page,
  }) => {
    // A dozen screens, each read whole six times.
    test.setTimeout(300_000)
    const mine = Object.entries(await screens(page)).filter((_, i) => i % PARTS.length === part)
    for (const [name, path] of mine) {
      // Opened as at the desk by day, then turned.
      await page.emulateMedia({ colorScheme: 'light' })
      await page.setViewportSize(windows[0])
      await visit(page, path)
      for (const colorScheme of ['light', 'dark'] as const) {
        await page.emulateMedia({ colorScheme })
        for (const viewport of windows) {
          await page.setViewportSize(viewport)
          const where = `${name}, ${viewport.width} × ${viewport.height}, ${colorScheme}`
          expect.soft(await misfits(page, FOR_GLOVES.has(name) ? 72 : 44), where).toEqual([])
          expect.soft(await accessibilityFaults(page), where).toEqual([])
        }
      }
    }
  })

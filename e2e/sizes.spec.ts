import { misfits } from './fit'
import { accessibilityFaults, expect, test, visit } from './journey'
import { screens } from './screen-list'

const windows = [
  { width: 1280, height: 800 },
  { width: 1024, height: 768 },
  { width: 390, height: 844 },
]
/** At the vehicle hands are in gloves. */
const FOR_GLOVES = new Set(['bleed', 'cab code'])

for (const colorScheme of ['light', 'dark'] as const)
  for (const viewport of windows)
    test.describe(`${viewport.width} × ${viewport.height}, ${colorScheme}`, () => {
      test.use({ colorScheme, viewport })
      test('every screen has its main action in sight, nothing cut, sideways or too small, and nothing that axe finds', async ({
        page,
      }) => {
        // More than forty screens, each read whole.
        test.setTimeout(300_000)
        for (const [name, path] of Object.entries(await screens(page))) {
          await visit(page, path)
          expect.soft(await misfits(page, FOR_GLOVES.has(name) ? 72 : 44), name).toEqual([])
          expect.soft(await accessibilityFaults(page), name).toEqual([])
        }
      })
    })

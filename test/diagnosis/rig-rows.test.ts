import { expect, test } from 'vitest'
import seenOnRig from '~core/diagnosis/seen-on-rig.json' with { type: 'json' }
import { type RigRows, rigRows } from './rig-rows'

/** Seen at fewer vehicles than this it says little, and the table stands alone. */
const LEAST_SEEN = 20
/** All of them, by `npm run docs`. */
const VEHICLES = 3000
const A_FEW = 30

const kept: RigRows = seenOnRig
const pairsOf = (rows: RigRows) =>
  Object.entries(rows).flatMap(([check, byCause]) =>
    Object.entries(byCause).map(([cause, counts]) => ({ check, cause, counts })),
  )

test('what the advice takes from the rig is what the rig shows: the first vehicles are among those counted', () => {
  const few = pairsOf(rigRows(A_FEW))
  for (const { check, cause, counts } of few)
    for (const [i, count] of counts.entries())
      if (kept[check]?.[cause])
        expect(kept[check][cause][i], `${check} under ${cause}`).toBeGreaterThanOrEqual(count)
  expect(few.length).toBeGreaterThan(20)
})

test.runIf(process.env.DIAGNOSED)('all of them, counted anew', async () => {
  const rows = rigRows(VEHICLES)
  const often = (counts: number[]) => counts.reduce((sum, each) => sum + each, 0) >= LEAST_SEEN
  const blocks = Object.entries(rows).map(([check, byCause]) => {
    const lines = Object.entries(byCause)
      .filter(([, counts]) => often(counts))
      .map(([cause, counts]) => `    "${cause}": [${counts.join(', ')}]`)
    return `  "${check}": {\n${lines.join(',\n')}\n  }`
  })
  await expect(`{\n${blocks.join(',\n')}\n}\n`).toMatchFileSnapshot('../../core/diagnosis/seen-on-rig.json')
})

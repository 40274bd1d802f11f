import { describe, expect, test } from 'vitest'
import { calculators } from '~core/calculators/command'
import { airChecks } from './air'
import type { Check } from './check'
import { exchangeChecks } from './exchange'
import { hydraulicsChecks } from './hydraulics'
import { moistureChecks } from './moisture'
import { rigChecks } from './rig'

const checks: readonly Check[] = [
  ...hydraulicsChecks,
  ...moistureChecks,
  ...exchangeChecks,
  ...airChecks,
  ...rigChecks,
]
const digits = (value: number) => Number(value.toPrecision(6)).toString()
/** Below a millionth it is the machine’s rounding, which may differ between machines. */
const percent = (share: number) => (share < 1e-8 ? '0 %' : `${(100 * share).toPrecision(1)} %`)
const difference = ({ ours, theirs }: Check) => Math.abs(ours - theirs) / Math.abs(theirs)

describe('ours against outside', () => {
  test.each(
    checks.map(
      (check) => [`${check.calculator}: ${check.what} (${check.kind}: ${check.source})`, check] as const,
    ),
  )('%s', (_, check) => {
    expect(difference(check)).toBeLessThanOrEqual(check.withinShare)
  })
})

test('every calculator stands against two figures from outside at least', () => {
  for (const { name } of calculators) {
    const rows = checks.filter(({ calculator }) => calculator === name).length
    expect({ name, enough: rows >= 2 }).toEqual({ name, enough: true })
  }
})

test('docs/checks.md lists them all', async () => {
  const row = (check: Check) =>
    `| ${check.calculator} | ${check.what} | ${check.kind} | ${check.source} | ${digits(check.ours)} | ${digits(check.theirs)} | ${percent(difference(check))} |`
  const table = [
    '| calculator | what | kind | source | ours | theirs | difference |',
    '|---|---|---|---|---|---|---|',
    ...checks.map(row),
  ].join('\n')
  await expect(
    `# Every figure checked against something outside\n\nMade by the tests (\`npm run docs\`). *Published, recalled*: the value of a standard, handbook or paper as remembered, not looked up. *Library*: computed by an independent package. *Closed form*: worked out in the test by hand, from the same physics written down anew. What is only ours turned round, or read back from where it was fitted, is not here.\n\n${table}\n`,
  ).toMatchFileSnapshot('../../docs/checks.md')
})

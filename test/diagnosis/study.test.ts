import { describe, expect, test } from 'vitest'
import { Chance } from '~core/base/random'
import { complaintIds } from '~core/diagnosis/complaints'
import { examples } from '~core/vehicle/examples'
import { diagnosisCases } from './cases'
import { hide } from './hidden'
import {
  advised,
  checklist,
  costIfKnown,
  likeliestFirst,
  type Outcome,
  type Policy,
  printedList,
  work,
} from './study'
import { changedBy } from './wrong-tables'

/** A few in every run; all of them, and the page that shows them, by `npm run docs`. */
const count = Number(process.env.DIAGNOSED ?? 45)

/** Brake complaints: the simulated vehicle has no clutch that slips. */
const complaints = complaintIds.filter((id) => id !== 'no-clutch')

const policies: Record<string, Policy> = {
  advised,
  'likeliest part first': likeliestFirst,
  'a printed list: its looks, then what it says to each sign': printedList,
  'the same looks, then the likeliest by shares': checklist,
}

const hidden = (i: number) => hide(new Chance(1000 + i), complaints[i % complaints.length] ?? 'soft-pedal')

/** Nobody can do better than mend what is wrong and nothing else. */
const known = Array.from({ length: count }, (_, i) => costIfKnown(hidden(i)))

const ran: Record<string, Outcome[]> = {}
for (const [name, policy] of Object.entries(policies))
  ran[name] = Array.from({ length: count }, (_, i) => work(hidden(i), policy, new Chance(5000 + i)))

const mean = (name: string, of: (outcome: Outcome) => number): number =>
  (ran[name] ?? []).reduce((sum, each) => sum + of(each), 0) / count
const within = (repairs: number) => (outcome: Outcome) =>
  outcome.mended && outcome.repairs <= repairs ? 1 : 0

describe(`${count} vehicles with one or two hidden causes, on the rig`, () => {
  test('every one is mended, nearly all within two repairs, and none leaves unmended', () => {
    expect(mean('advised', ({ mended }) => (mended ? 1 : 0))).toBe(1)
    expect(mean('advised', within(2))).toBeGreaterThan(0.85)
  })
  test('for far less than the likeliest part first, with far fewer parts bought for nothing', () => {
    const [advice, parts, list] = Object.keys(policies).map((name) => mean(name, ({ cost }) => cost)) as [
      number,
      number,
      number,
    ]
    expect(advice).toBeLessThan(0.7 * parts)
    expect(advice).toBeLessThan(0.85 * list)
    expect(mean('advised', ({ wasted }) => wasted)).toBeLessThan(
      mean('likeliest part first', ({ wasted }) => wasted) / 2,
    )
  })
})

test.runIf(process.env.DIAGNOSED)('at six tenths of what either other way costs, or less', () => {
  const [advice, parts, list] = Object.keys(policies).map((name) => mean(name, ({ cost }) => cost))
  expect(advice).toBeLessThanOrEqual(0.6 * Math.min(parts ?? 0, list ?? 0))
})

test.runIf(process.env.DIAGNOSED)('docs/diagnosis.md shows what came of it', async () => {
  const row = (name: string) => {
    const pct = (share: number) => `${(100 * share).toFixed(1)} %`
    return `| ${name} | ${mean(name, ({ cost }) => cost).toFixed(0)} | ${(mean('advised', ({ cost }) => cost) / mean(name, ({ cost }) => cost)).toFixed(3)} | ${pct(mean(name, within(1)))} | ${pct(mean(name, within(2)))} | ${mean(name, ({ looks }) => looks).toFixed(1)} | ${mean(name, ({ minutes }) => minutes).toFixed(0)} | ${mean(name, ({ wasted }) => wasted).toFixed(0)} | ${pct(mean(name, ({ caught }) => caught))} |`
  }
  const sums = diagnosisCases
    .filter(({ vehicle }) => vehicle && examples[vehicle])
    .map((each) => {
      const { figures, by2, by4, first } = changedBy(each)
      return `| ${each.name} | ${first} | ${figures} | ${by2} | ${by4} |`
    })
  await expect(
    `# Diagnosis, worked through

Made by the tests: \`npm run docs\`. Costs are in a shop's money by usual prices, from memory, as the tables are.

## On the simulated vehicle

${count} vehicles of eight kinds, each with one complaint and one hidden cause or two, as often as the tables have them.
Looks are answered from the rig where it can show them, else by chance as the tables say; three answers in a hundred are
simply wrong. Each repair is proved, and the proof says the truth. What the advice knows of a look is half the table's, half what
the rig showed at 3000 other vehicles (\`core/diagnosis/seen-on-rig.json\`), where the rig shows it as a vehicle does.

| what is done | mean cost | advised is | right with the first repair | within two | looks | minutes | parts for nothing | taken for sound and not |
|---|---|---|---|---|---|---|---|---|
${Object.keys(policies).map(row).join('\n')}

A printed list is what hangs on a wall: ten looks in their order, for each sign one thing to mend, then the most frequent of
what is left. In the last row the looks are that list's and the weighing is this program's.

Known at once, mending what is wrong and nothing else comes to ${(known.reduce((sum, each) => sum + each, 0) / count).toFixed(0)}.
“Taken for sound and not” is what a look said that ends the search; the proof caught every one.

## How wrong a tabled figure may be

For each worked case on a vehicle: how many figures of the tables bear on it (chances of causes, and of what a look shows
under each), and how many of them change what is advised first if that one alone is wrong by twice or by four times, up or down.

| case | advised first | figures | change it by 2 × | by 4 × |
|---|---|---|---|---|
${sums.join('\n')}
`,
  ).toMatchFileSnapshot('../../docs/diagnosis.md')
})

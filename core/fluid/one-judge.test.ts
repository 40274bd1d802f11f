import { expect, test } from 'vitest'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { Chance } from '../base/random'
import { calculators } from '../calculators/command'
import { makePlan } from '../plan/plan'
import { readPlanRequest, shopSchema, workSchema } from '../plan/request'
import { dueOf } from './due'
import { judgeFluid } from './judge'
import { measuredLimits } from './policy/policy'
import { readingKinds, takenReading } from './readings'

const DAY = '2026-05-04'
const file = carFile(fourCorners)
const vehicle = vehicleFrom(file)
const command = calculators.find(({ name }) => name === 'moisture-verdict')

/** A value that kind of tester can show, to the digit it shows. */
const shown = {
  'water-pct': (chance: Chance) => chance.below(80) / 10,
  'boiling-c': (chance: Chance) => 90 + chance.below(200),
  'copper-ppm': (chance: Chance) => chance.below(500),
  megohm: (chance: Chance) => chance.below(120) / 10,
} as const

test('one reading and one policy have one verdict, whoever asks: test page, plan, command and due list, 5 000 at random', () => {
  const chance = new Chance(2026)
  const seen = new Map<string, number>()
  for (let n = 0; n < 5000; n++) {
    const kind = chance.of(readingKinds)
    const reading = { kind, value: shown[kind](chance), at: chance.of(['reservoir', 'caliper'] as const) }
    const policy = {
      waterPct: 1 + chance.below(40) / 10,
      marginC: chance.below(40),
      copperPpm: 50 + chance.below(300),
    }
    const limits = measuredLimits(policy)
    const of = { spec: 'DOT 4', kind: 'car', readings: [takenReading(reading)], heightM: 0 } as const
    const page = judgeFluid(of, limits)
    seen.set(page.verdict, (seen.get(page.verdict) ?? 0) + 1)

    const asked = command?.run({ spec: 'DOT 4', reading, policy })
    expect(asked?.ok && (asked.value as { verdict: string }).verdict).toBe(page.verdict)

    // One corner, so that a verdict to replace shows in the plan as work to be offered.
    const plan = makePlan({
      vehicle,
      work: workSchema.parse({ reason: 'repair', opened: ['brake-fl'], reading }),
      shop: shopSchema.parse({ methods: ['two-person'], moisture: policy }),
    })
    expect(plan.reasons).toContainEqual(expect.objectContaining(page.because))
    expect(plan.reasons.some(({ code }) => code === 'reading-asks-exchange')).toBe(page.verdict === 'replace')

    const condemned = page.verdict === 'replace' ? { on: DAY, because: page.because } : undefined
    const due = dueOf({ today: DAY, readings: [], odometer: [] }, limits, { condemned })
    expect(due !== undefined && due.likely <= DAY).toBe(page.verdict === 'replace')
  }
  expect([...seen.keys()].sort()).toEqual(['keep', 'replace', 'retest', 'watch'])
})

test('the two that once differed: copper alone keeps nothing, and a boiled sample counts beside a meter', () => {
  const judged = (readings: Parameters<typeof judgeFluid>[0]['readings']) =>
    judgeFluid({ spec: 'DOT 4', kind: 'car', readings, heightM: 0 }, measuredLimits())
  expect(judged([{ tester: 'copper-strip', value: 50, at: 'reservoir' }]).verdict).toBe('retest')
  const both = judged([
    { tester: 'percent-meter', value: 0.5, at: 'reservoir' },
    { tester: 'boiling-sampler', value: 150, at: 'reservoir' },
  ])
  expect(both.verdict).toBe('replace')
  expect(both.cannot.map(({ code }) => code)).toContain('boiled-one-counts')
})

test('every reading of a job reaches the plan, not one picked from them', () => {
  const readings = [
    { tester: 'percent-meter', value: 0.5, at: 'reservoir' },
    { tester: 'copper-strip', value: 260, at: 'reservoir' },
  ]
  const read = readPlanRequest({
    format: 'ruddy-siphon.plan-request',
    version: 1,
    vehicle: file,
    work: { reason: 'repair', opened: ['brake-fl'], readings },
    shop: { methods: ['two-person'] },
  })
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  expect(makePlan(read.value).reasons.map(({ code }) => code)).toContain('copper-replace')
})

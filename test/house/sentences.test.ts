import { readdirSync, readFileSync } from 'node:fs'
import { expect, test } from 'vitest'

/** A string that begins like a sentence and goes on for at least four more words. */
const SENTENCE = /['"`][A-Z][a-z]+( [a-z0-9,’]+){4,}/

/**
 * Lines that still hold a sentence: the calls’ own table, the cab’s languages, what a
 * layout or a tester is in one line. What of them is stored is nothing. A number may only fall.
 */
const STILL: Readonly<Record<string, number>> = {
  'fluid/policy/boiling.ts': 1,
  'fluid/specs/colour.ts': 4,
  'fluid/testers/boiling-sampler.ts': 1,
  'fluid/testers/copper-strip.ts': 1,
  'fluid/testers/degree-meter.ts': 2,
  'fluid/testers/lines.ts': 1,
  'fluid/testers/looked-at.ts': 1,
  'stock/opened-rule.ts': 1,
  'technique/calls/bench.ts': 1,
  'technique/calls/foot.ts': 1,
  'technique/calls/gravity.ts': 1,
  'technique/calls/left-open.ts': 2,
  'technique/calls/press-through.ts': 1,
  'technique/calls/pulsed.ts': 3,
  'technique/calls/reach.ts': 3,
  'technique/calls/vacuum.ts': 2,
  'vehicle/layouts/car-clutch-shared.ts': 1,
  'vehicle/layouts/car-combined-cylinder.ts': 2,
  'vehicle/layouts/car-diagonal-unit.ts': 1,
  'vehicle/layouts/car-diagonal-valves.ts': 1,
  'vehicle/layouts/car-front-rear-valve.ts': 2,
  'vehicle/layouts/car-single-circuit.ts': 1,
  'vehicle/layouts/car-two-circuits-in-front.ts': 1,
  'vehicle/layouts/lorry-two-reservoirs.ts': 1,
  'vehicle/layouts/lorry.ts': 1,
  'vehicle/layouts/minibus.ts': 1,
  'vehicle/layouts/motorcycle-linked.ts': 1,
  'vehicle/layouts/motorcycle-twin-disc.ts': 1,
  'vehicle/layouts/off-roader.ts': 1,
  'vehicle/layouts/quad-one-lever.ts': 1,
  'vehicle/layouts/three-wheeler.ts': 1,
  'vehicle/layouts/trailer-two-axles.ts': 1,
}

const lines = readdirSync('core', { recursive: true, encoding: 'utf8' })
  .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
  .filter((name) => !name.startsWith('words/') && !name.startsWith('impure-'))
  .flatMap((name) =>
    readFileSync(`core/${name}`, 'utf8')
      .split('\n')
      .flatMap((line) => (SENTENCE.test(line) ? [name] : [])),
  )

test('facts are data: core/ holds no sentence outside core/words beyond those that are listed', () => {
  const found = new Map<string, number>()
  for (const name of lines) found.set(name, (found.get(name) ?? 0) + 1)
  const more = [...found].filter(([name, count]) => count > (STILL[name] ?? 0)).map(([name]) => name)
  expect(more).toEqual([])
})

test('nothing that is stored holds one: plan, job and what they are made from', () => {
  const stored = lines.filter((name) => /^(plan|job|vehicle\/(?!layouts)|linemap)/.test(name))
  expect(stored).toEqual([])
})

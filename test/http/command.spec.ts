import { execFileSync, spawnSync } from 'node:child_process'
import { Chance } from '~core/base/random'
import { calculators } from '~core/calculators/command'
import { examples } from '~core/calculators/command/examples'
import { expect, test } from './http'

const siphon = (name: string, input: unknown) =>
  spawnSync('bin/siphon', ['calc', name], { input: JSON.stringify(input), encoding: 'utf8' })

test('twenty calculations by the spawned command, good and spoiled: an answer, or faults with a path, never a crash', () => {
  const chance = new Chance(4)
  for (let i = 0; i < 20; i++) {
    const { name } = calculators[i % calculators.length] ?? chance.of(calculators)
    const example = examples[name] ?? {}
    const spoil = chance.of(Object.keys(example))
    const good = i < calculators.length
    const { status, stdout, stderr } = siphon(
      name,
      good ? example : { ...example, [spoil]: chance.of([-1, 'x', null]) },
    )
    if (status === 0) expect(JSON.stringify(JSON.parse(stdout)), name).not.toContain('null')
    else {
      expect({ name, good, status, stdout }).toEqual({ name, good: false, status: 2, stdout: '' })
      expect(stderr).toMatch(/^[a-z0-9.]+: .+\n/i)
    }
  }
})

test('what has no input, and what is no calculator, is a sentence and exit 2', () => {
  expect(siphon('nonsense', {})).toMatchObject({ status: 2, stdout: '' })
  expect(execFileSync('bin/siphon', ['help'], { encoding: 'utf8' })).toContain('moisture-forecast')
})

import { describe, expect, test } from 'vitest'
import { usualPolicy } from '~core/fluid/policy/policy'
import { readPolicyForm } from './policy-form'

const form = (fields: Record<string, string | string[]>) => {
  const typed = new FormData()
  for (const [name, value] of Object.entries(fields))
    for (const each of [value].flat()) typed.append(name, each)
  return typed
}
const usual = {
  'all.boiling': '0',
  'all.water': '3',
  'all.copper': '200',
  'all.time': '24',
  'all.distance': '48000',
}

describe('a policy as it is typed', () => {
  test('the usual one reads as the usual one', () => {
    const read = readPolicyForm(form({ ...usual, row: 'a', 'a.kind': 'motorcycle', 'a.time': '12' }))
    expect(read).toEqual({ ok: true, policy: usualPolicy })
  })

  test('empty leaves a rule as it is for every vehicle, off takes it away, and a comma is a point', () => {
    const read = readPolicyForm(
      form({ ...usual, 'all.copper': '', row: 'a', 'a.spec': 'DOT 4', 'a.water': '2,5', 'a.time': 'OFF' }),
    )
    expect(read).toMatchObject({
      ok: true,
      policy: { others: [{ spec: 'DOT 4', limits: { water: 2.5, time: 'off' } }] },
    })
    expect(read.ok && 'copper' in read.policy.all).toBe(false)
  })

  test('a margin of 18 °F is 10 °C, for it is a difference; 30 000 mi are 48 280 km', () => {
    const read = readPolicyForm(
      form({
        ...usual,
        'all.boiling': '18',
        'all.boiling-unit': '°F',
        'all.distance': '30000',
        'all.distance-unit': 'mi',
      }),
    )
    expect(read.ok && read.policy.all.boiling).toBeCloseTo(10, 9)
    expect(read.ok && read.policy.all.distance).toBeCloseTo(48_280.32, 2)
  })

  test.each([
    ['all.water', '9', 'Give 0.5 to 7 %'],
    ['all.time', 'soon', 'Give a number'],
    ['all.distance', '-5', 'Give 500 to 500000 km'],
  ])('%s of %s is faulted beside its field', (name, value, says) => {
    const read = readPolicyForm(form({ ...usual, [name]: value }))
    expect(!read.ok && read.faults[name]).toContain(says)
  })

  test('a row for nothing in particular, and a policy without any limit, are faulted', () => {
    expect(readPolicyForm(form({ ...usual, row: 'a', 'a.time': '6' }))).toMatchObject({
      ok: false,
      faults: { 'a.kind': expect.any(String) },
    })
    expect(readPolicyForm(form({ 'all.water': 'off' }))).toMatchObject({
      ok: false,
      faults: { 'all.water': expect.any(String) },
    })
  })
})

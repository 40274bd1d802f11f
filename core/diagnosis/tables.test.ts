import { readdirSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { hasWords } from '~core/words'
import { causes } from './causes'
import { checks } from './checks'
import { complaintIds } from './complaints'
import { pairs } from './pairs'
import { rowOf } from './row'
import { partKeys } from './usual'

const ids = new Set(causes.map(({ id }) => id))

test('every file of a cause or a check is registered, under its own name', () => {
  const files = (folder: string) =>
    readdirSync(`core/diagnosis/${folder}`)
      .map((name) => name.replace('.ts', ''))
      .filter((name) => name !== 'index')
      .sort()
  expect(causes.map(({ id }) => id).sort()).toEqual(files('causes'))
  expect(checks.map(({ id }) => id).sort()).toEqual(files('checks'))
})

describe.each(checks.map((check) => [check.id, check] as const))('%s', (_, check) => {
  test('shows something under every cause, in chances that add up', () => {
    for (const row of [
      check.otherwise,
      ...Object.values(check.under),
      ...causes.map(({ id }) => rowOf(check, id)),
    ]) {
      expect(row).toHaveLength(check.results.length)
      expect(row.reduce((sum, each) => sum + each, 0)).toBeCloseTo(1, 9)
      expect(Math.min(...row)).toBeGreaterThanOrEqual(0)
    }
  })
  test('names causes that there are, and tells some of them from the rest', () => {
    expect(Object.keys(check.under).filter((id) => !ids.has(id))).toEqual([])
    expect(check.ends?.mends.filter((id) => !ids.has(id)) ?? []).toEqual([])
    for (const complaint of check.first
      ? []
      : check.complaints.filter((each) => !check.said?.includes(each))) {
      const possible = causes.filter(({ chance }) => (chance[complaint] ?? 0) > 0)
      expect(
        possible.some(({ id }) => check.under[id]),
        complaint,
      ).toBe(true)
    }
  })
  test('has its words', () => {
    const codes = [
      `check-${check.id}`,
      `check-${check.id}-name`,
      ...Array.from({ length: check.steps ?? 0 }, (_, i) => `check-${check.id}-${i + 1}`),
      ...check.results.map((result) => `result-${result}`),
      ...(check.cautions ?? []).map((caution) => `care-${caution}`),
    ]
    expect(codes.filter((code) => !hasWords(code))).toEqual([])
  })
})

test('the table and what the rig showed count alike; where the rig shows nothing, the table stands', () => {
  const holds = checks.find(({ id }) => id === 'hold-firm')
  if (!holds) throw new Error('no such check')
  expect(holds.under['cylinder-bypass']).toEqual([1 - 0.7, 0.7])
  // Every one of the rig's sank.
  expect(rowOf(holds, 'cylinder-bypass')[1]).toBeCloseTo(0.85, 9)
  expect(rowOf(holds, 'pads-knocked-back')).toBe(holds.otherwise)
})

test('every cause is mended by its own repair, occurs with a complaint, and has its words', () => {
  for (const { id, repair, chance } of causes) {
    expect(repair.mends).toContain(id)
    expect(repair.mends.filter((each) => !ids.has(each))).toEqual([])
    expect(Object.keys(chance).length).toBeGreaterThan(0)
    expect(hasWords(`cause-${id}`) && hasWords(`repair-${repair.id}`)).toBe(true)
  }
})

test('every complaint can be several things, and several looks say something about it', () => {
  for (const complaint of complaintIds) {
    expect(causes.filter(({ chance }) => (chance[complaint] ?? 0) > 0).length).toBeGreaterThan(3)
    expect(checks.filter((check) => check.complaints.includes(complaint)).length).toBeGreaterThan(2)
    expect(hasWords(`complaint-${complaint}`)).toBe(true)
  }
})

test('pairs are of causes that there are, and spares have names', () => {
  for (const { both } of pairs) for (const id of both) expect(ids.has(id)).toBe(true)
  expect(partKeys.filter((key) => !hasWords(`spare-${key}`))).toEqual([])
})

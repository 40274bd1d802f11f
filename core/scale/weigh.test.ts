import { describe, expect, test } from 'vitest'
import { Chance } from '~core/base/random'
import { beginsToCome, cameByNowG, freshWeighing, unplug, type Weighing, weigh } from './weigh'

const range = { stepG: 0.1, capacityG: 5000 }
const EMPTY_G = 60
const EVERY_S = 0.2

/** A scale with a bottle on it, read five times a second. */
class OnScale {
  weighing: Weighing = freshWeighing
  grams = EMPTY_G
  mayFlow = false
  atS = 0
  constructor(private readonly noise = () => 0) {}
  /** So many seconds, in which so much comes evenly. */
  pass(seconds: number, comesG = 0): this {
    const steps = Math.round(seconds / EVERY_S)
    for (let i = 0; i < steps; i++) {
      this.grams += comesG / steps
      this.read(this.grams)
    }
    return this
  }
  read(grams: number): this {
    this.atS += EVERY_S
    const shown = Math.round((grams + this.noise()) / range.stepG) * range.stepG
    this.weighing = weigh(this.weighing, { atS: this.atS, grams: shown }, range, this.mayFlow)
    return this
  }
  flows(mayFlow: boolean): this {
    this.mayFlow = mayFlow
    return this
  }
  /** Knocked: up and down, and still again. */
  knock(): this {
    for (const byG of [40, -25, 12, -6, 2]) this.read(this.grams + byG)
    return this
  }
  put(grams: number): this {
    this.grams = grams
    return this.pass(2)
  }
}
const standing = () => new OnScale().pass(2)

test('a pull of 9 g is 9 g, once it stands still', () => {
  const scale = standing().flows(true).pass(1.5, 9)
  expect(scale.weighing.isStill).toBe(false)
  expect(scale.pass(1.6).weighing.cameG).toBeCloseTo(9, 1)
})

test('it is told that fluid begins to come, and a knock is not fluid', () => {
  const scale = standing().flows(true)
  const from = scale.atS
  expect(beginsToCome(scale.weighing, from)).toBe(false)
  expect(beginsToCome(scale.pass(0.8, 4).weighing, from)).toBe(true)
  // What the pull before brought is not the next one's.
  expect(beginsToCome(scale.weighing, scale.atS)).toBe(false)
  const knocked = standing().flows(true).knock().pass(2)
  expect(knocked.weighing.cameG).toBeCloseTo(0, 1)
  expect(beginsToCome(knocked.weighing, 0)).toBe(false)
})

test('while it runs the eye sees it run', () => {
  const scale = standing().flows(true).pass(20, 80)
  expect(cameByNowG(scale.weighing, true)).toBeGreaterThan(75)
  expect(scale.pass(2).weighing.cameG).toBeCloseTo(80, 1)
})

describe('at rest nothing that happens on the scale is fluid', () => {
  test('a weight that creeps by a gram a minute', () => {
    const scale = standing()
    for (let minute = 0; minute < 10; minute++) scale.pass(60, 1)
    expect(scale.weighing.cameG).toBe(0)
  })
  test('the bottle lifted and put back; another bottle is another one', () => {
    const scale = standing().put(0).put(EMPTY_G)
    expect(scale.weighing).toMatchObject({ cameG: 0, changes: 0 })
    expect(scale.put(0).put(48).weighing).toMatchObject({ cameG: 0, changes: 1 })
    expect(scale.weighing.disturbed).toBeUndefined()
  })
})

describe('while it runs', () => {
  test('the bottle lifted with its hose and put back: what ran meanwhile came too', () => {
    const scale = standing().flows(true).pass(4, 20).pass(2)
    const stood = scale.grams
    scale.put(0).put(stood + 6)
    expect(scale.weighing.cameG).toBeCloseTo(26, 1)
  })
  test('a spanner laid on it is no fluid, and what is on it is said', () => {
    const scale = standing().flows(true).pass(10, 40)
    scale.grams += 150
    scale.pass(10, 40).pass(2)
    expect(Math.abs(scale.weighing.cameG - 80)).toBeLessThan(8)
    expect(scale.weighing.disturbed).toBe('something-on-it')
  })
  test('a hose that leans on it and is let go again leaves nothing behind', () => {
    const scale = standing().flows(true)
    const leaning = scale.put(EMPTY_G + 8)
    expect(leaning.put(EMPTY_G).weighing.cameG).toBeCloseTo(0, 1)
  })
})

test('what no scale can show counts for nothing', () => {
  const scale = standing().flows(true)
  for (const silly of [99_999, -5000, 99_999]) scale.read(silly)
  expect(scale.pass(2).weighing).toMatchObject({ cameG: 0, isStill: true })
})

test('plugged in again it begins from what stands there, and says that something may be missing', () => {
  const scale = standing().flows(true).pass(2, 10).pass(2)
  scale.weighing = unplug(scale.weighing)
  scale.put(90)
  expect(scale.weighing).toMatchObject({ disturbed: 'unplugged' })
  expect(scale.weighing.cameG).toBeCloseTo(10, 1)
})

test.each([1, 2, 3, 4, 5, 6, 7, 8, 9, 10])(
  'a whole job, with noise, knocks, creep and three changes of bottle, is right to 2 mL: seed %i',
  (seed) => {
    const chance = new Chance(seed)
    const noise = () => 0.25 * chance.normal()
    const scale = new OnScale(noise).pass(2)
    let trueG = 0
    for (let pull = 1; pull <= 69; pull++) {
      const comesG = 5 + 9 * chance.next()
      scale.flows(true).pass(0.6)
      if (chance.yes(0.2)) scale.knock()
      scale.pass(0.6 + 2 * chance.next(), comesG).pass(2.6)
      trueG += comesG
      scale.flows(false).pass(3, 0.05)
      if (chance.yes(0.3)) scale.knock().pass(2)
      if (pull % 20 === 0) scale.put(0).put(55 + pull / 10)
    }
    expect(scale.weighing.changes).toBe(3)
    expect(Math.abs(scale.weighing.cameG - trueG) / 1.06).toBeLessThan(2)
  },
)

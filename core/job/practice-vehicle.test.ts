import { describe, expect, test } from 'vitest'
import { vehicleFrom } from '~test/worlds/vehicles'
import { cabView } from '../cab/view'
import { cabViewSchema } from '../cab/view-schema'
import { examples } from '../vehicle/examples'
import { applyEvent } from './apply'
import { carefulAct } from './careful'
import type { FloorEvent } from './events'
import { currentPoint } from './points'
import {
  type PracticeWay,
  practiceJob,
  practiceVehicle,
  practiceVehicles,
  practiceWays,
  practiceWaysOf,
} from './practice'
import { hiddenIn, hiddenKinds, practiceWheels } from './practice-hides'
import { PracticeVehicle, type Seen } from './practice-vehicle'

type LookAt = Seen & { point: string }

/** A careful person who writes down what the vehicle shows; every look, and how the hose looked at the end. */
function practise(
  way: PracticeWay,
  hides: number,
  most = 400,
  betweenS = 2,
): { looks: LookAt[]; kept: Seen['looks'] } {
  const vehicle = vehicleFrom(examples['ferry-estate']?.file)
  let state = practiceJob(vehicle, way)
  const on = new PracticeVehicle(vehicle, hiddenIn(vehicle, hides), 20)
  const looks: LookAt[] = []
  for (let i = 0; i < most; i++) {
    const act = carefulAct(state)
    if (!act) break
    on.pass(betweenS)
    const seen = on.seen()
    if (act.type === 'pull-seen') looks.push({ ...seen, point: (state.run && currentPoint(state.run)) ?? '' })
    const event = {
      ...act,
      ...(act.type === 'pull-seen' && {
        ml: Math.max(0, seen.sinceMl),
        colour: seen.colour,
        bubbles: seen.bubbles,
      }),
      id: `practice-test-${i}`.padEnd(20, '-'),
      at: '2026-01-01T08:00:00.000Z',
    } as FloorEvent
    const applied = applyEvent(state, event)
    if (!applied.ok) throw new Error(JSON.stringify(applied.refusal))
    on.follow(state, event, applied.state)
    state = applied.state
  }
  return { looks, kept: on.seen().looks }
}

test.each(practiceWays)('by %s something comes, and the hose clears as it goes on', (way) => {
  const { looks, kept } = practise(way, 0)
  expect(looks.length).toBeGreaterThan(2)
  expect(looks[0]?.colour).toBe('dark')
  // What came since each look adds up to what is in the bottle.
  const at = looks.filter(({ point }) => point === looks[0]?.point)
  expect(at.reduce((sum, { sinceMl }) => sum + sinceMl, 0)).toBeCloseTo(at.at(-1)?.bottleMl ?? 0, 6)
  // What it showed is kept beside what was written down.
  expect(kept.map(({ shown }) => shown.colour)).toEqual(looks.map(({ colour }) => colour))
  expect(looks[1]?.sinceMl).toBeGreaterThan(0.5)
  expect(looks.some(({ colour }) => colour === 'amber' || colour === 'new')).toBe(true)
})

describe('what is hidden shows', () => {
  /** At the front left wheel, whose hose, brake and chamber hide it. */
  const first = (hides: number) =>
    practise('pump-and-hold', hides).looks.filter(({ point }) => point === 'FL')
  test('a closed hose lets a fraction through', () => {
    expect(first(1)[1]?.sinceMl).toBeLessThan(0.3 * (first(0)[1]?.sinceMl ?? 0))
  })
  test('air in a brake comes as bubbles', () => {
    const bubbles = (hides: number) => first(hides).some(({ bubbles: kind }) => kind !== 'none')
    expect(bubbles(3)).toBe(true)
    expect(bubbles(0)).toBe(false)
  })
  test('a cylinder that takes nothing has given what it held, and gives no more', () => {
    const whole = (hides: number) => first(hides).reduce((sum, { sinceMl }) => sum + sinceMl, 0)
    expect(whole(4)).toBeLessThan(0.3 * whole(0))
  })
})

test('somebody alone strokes as fast as time goes by, in however small pieces it does', () => {
  expect(practise('check-valve', 0, 60, 0.5).looks[1]?.sinceMl).toBeLessThan(
    0.6 * (practise('check-valve', 0, 60, 3).looks[1]?.sinceMl ?? 0),
  )
})

test.each(practiceVehicles.map(({ name }) => name))(
  '%s: every way that is offered on it can be begun',
  (name) => {
    const { vehicle } = practiceVehicle(name)
    for (const way of practiceWaysOf(vehicle))
      expect(practiceJob(vehicle, way).planned?.plan.verdict).toBe('go')
  },
)

test('each kind of thing can be hidden at each wheel, and is told by it', () => {
  const { vehicle } = practiceVehicle('fire-tender')
  const wheels = practiceWheels(vehicle)
  expect(wheels.length).toBeGreaterThan(3)
  for (const [n, { atWheel }] of hiddenKinds.entries()) {
    const told = wheels.map((_, wheel) => JSON.stringify(hiddenIn(vehicle, n, wheel)))
    expect(new Set(told).size).toBe(atWheel ? wheels.length : 1)
  }
})

test('whatever a helper’s phone is to show in a practice, the server takes it', () => {
  for (const way of practiceWays) {
    let state = practiceJob(practiceVehicle('ferry-estate').vehicle, way)
    for (let i = 0; i < 120; i++) {
      expect(cabViewSchema.safeParse(JSON.parse(JSON.stringify(cabView(state)))).error).toBeUndefined()
      const act = carefulAct(state)
      if (!act) break
      const event = { ...act, id: `seen-${i}`.padEnd(20, '-'), at: '2026-01-01T08:00:00.000Z' } as FloorEvent
      const applied = applyEvent(state, event)
      if (!applied.ok) throw new Error(JSON.stringify(applied.refusal))
      state = applied.state
    }
  }
})

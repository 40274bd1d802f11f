import { expect, test } from 'vitest'
import type { OpenStream } from '~/client/live/live-stream'
import { BottleScale } from './bottle-scale'

/** The server’s end of the stream, and a clock that the test turns. */
function listening() {
  let hear: Record<string, (data: string) => void> = {}
  let atS = 0
  const hands = { flows: false, opens: false }
  const opens: OpenStream = (_path, heard) => {
    hear = heard
    return { close: () => {} }
  }
  const scale = new BottleScale(
    1.06,
    () => hands.flows,
    () => hands.opens,
    opens,
    undefined,
    () => atS,
  )
  scale.open()
  const says = (said: object) => hear.scale?.(JSON.stringify(said))
  says({ says: 'hello', stepG: 0.1, capacityG: 5000 })
  const weighs = (grams: number, seconds = 2) => {
    for (let i = 0; i < seconds * 5; i++) {
      atS += 0.2
      says({ says: 'grams', grams })
    }
    return scale.snapshot()
  }
  return { scale, hands, says, weighs }
}

test('what comes while the bleeder is open is fluid, by its density; what drips just after it is too', () => {
  const { weighs, hands } = listening()
  weighs(60)
  hands.flows = true
  expect(weighs(70.6).cameMl).toBeCloseTo(10)
  hands.flows = false
  expect(weighs(71.66).cameMl).toBeCloseTo(11)
  weighs(71.66, 4)
  // Long after it is closed a heavier bottle is somebody's hand.
  expect(weighs(90).cameMl).toBeCloseTo(11)
})

test('a fault, silence or a hidden page ends the weighing in words, and what came meanwhile is asked for', () => {
  const { weighs, says, scale } = listening()
  weighs(60)
  says({ says: 'fault', code: 'unplugged' })
  expect(scale.snapshot()).toMatchObject({ link: 'lost', fault: { code: 'scale-unplugged' } })
  says({ says: 'hello', stepG: 0.1, capacityG: 5000 })
  expect(weighs(75)).toMatchObject({ link: 'weighs', disturbed: 'unplugged', cameMl: 0 })
  scale.settled()
  expect(scale.snapshot().disturbed).toBeUndefined()
  scale.close()
  expect(scale.snapshot().link).toBe('lost')
})

test('more than it can weigh is said, and weighs nothing', () => {
  const { weighs, says, scale } = listening()
  weighs(60)
  says({ says: 'over' })
  expect(scale.snapshot()).toMatchObject({ link: 'over', isStill: false })
  expect(weighs(60)).toMatchObject({ link: 'weighs', fault: undefined })
})

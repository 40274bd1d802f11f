import { expect, test } from 'vitest'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { vehicleFrom } from '~test/worlds/vehicles'
import { carefulAct } from '../job/careful'
import type { FloorEvent } from '../job/events'
import { hiddenIn } from '../job/practice-hides'
import { PracticeVehicle } from '../job/practice-vehicle'
import { makePlan } from '../plan/plan'
import { shopSchema, workSchema } from '../plan/request'
import { examples } from '../vehicle/examples'

const planOf = (name: string) =>
  makePlan({
    vehicle: vehicleFrom(structuredClone(examples[name]?.file)),
    work: workSchema.parse({ reason: 'service', ways: [{ technique: 'within-reach', why: 'alone' }] }),
    shop: shopSchema.parse({ methods: ['solo'], helper: false }),
  })
const takes = (name: string) => planOf(name).stages.some(({ technique }) => technique === 'within-reach')

test('one person squeezes, opens, closes and lets go on a motorcycle and a quad, never on a car', () => {
  expect(takes('courier-twin-disc')).toBe(true)
  expect(takes('farm-quad')).toBe(true)
  expect(takes('coastguard-saloon')).toBe(false)
})

test('two acts a pull: the bleeder is closed while the lever is held, fluid comes and no air goes back', () => {
  const vehicle = vehicleFrom(structuredClone(examples['farm-quad']?.file))
  const job = ScriptedJob.planned(
    vehicle,
    { reason: 'service', ways: [{ technique: 'within-reach', why: 'alone' }] },
    ['solo'],
  )
  const van = new PracticeVehicle(vehicle, hiddenIn(vehicle), 20)
  const acts: string[] = []
  for (let n = 0; n < 200 && acts.filter((act) => act === 'close').length < 6; n++) {
    const before = job.state
    const next = carefulAct(before)
    if (!next) break
    const { sinceMl, colour, bubbles } = van.seen()
    job.do(next.type === 'pull-seen' ? { ...next, ml: Math.round(sinceMl), colour, bubbles } : next)
    van.follow(before, job.events.at(-1) as FloorEvent, job.state)
    if (next.type === 'call') acts.push(next.act)
    if (next.type === 'call' && next.act === 'open') van.pass(2)
    if (next.type === 'pull-seen') {
      expect(sinceMl).toBeGreaterThan(0.5)
      expect(bubbles).toBe('none')
    }
  }
  expect(acts).toEqual(Array.from({ length: 6 }, () => ['open', 'close']).flat())
})

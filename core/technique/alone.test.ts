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

type Alone = 'within-reach' | 'propped'
const planOf = (name: string, technique: Alone) =>
  makePlan({
    vehicle: vehicleFrom(structuredClone(examples[name]?.file)),
    work: workSchema.parse({ reason: 'service', ways: [{ technique, why: 'alone' }] }),
    shop: shopSchema.parse({ methods: ['solo'], helper: false }),
  })
const takes = (name: string, asked: Alone) =>
  planOf(name, asked).stages.some(({ technique }) => technique === asked)

test('one person squeezes, opens, closes and lets go on a motorcycle and a quad, never on a car', () => {
  expect(takes('courier-twin-disc', 'within-reach')).toBe(true)
  expect(takes('farm-quad', 'within-reach')).toBe(true)
  expect(takes('coastguard-saloon', 'within-reach')).toBe(false)
})

test('a prop stands between seat and pedal: on a car and a lorry, never at a lever, and never where a prop is lacking', () => {
  expect(takes('coastguard-saloon', 'propped')).toBe(true)
  expect(takes('coal-lorry', 'propped')).toBe(true)
  expect(takes('courier-twin-disc', 'propped')).toBe(false)
  expect(takes('farm-quad', 'propped')).toBe(false)
  const saloon = vehicleFrom(structuredClone(examples['coastguard-saloon']?.file))
  const without = makePlan({
    vehicle: saloon,
    work: workSchema.parse({ reason: 'service', ways: [{ technique: 'propped', why: 'alone' }] }),
    shop: shopSchema.parse({ methods: ['solo'], helper: false, lacks: ['pedal-prop'] }),
  })
  expect(without.stages.map(({ technique }) => technique)).not.toContain('propped')
})

test.each<[string, Alone]>([
  ['farm-quad', 'within-reach'],
  ['coastguard-saloon', 'propped'],
])(
  '%s, %s: two acts a pull, closed while it is held; fluid comes and no air goes back',
  (name, technique) => {
    const vehicle = vehicleFrom(structuredClone(examples[name]?.file))
    const job = ScriptedJob.planned(vehicle, { reason: 'service', ways: [{ technique, why: 'alone' }] }, [
      'solo',
    ])
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
  },
)

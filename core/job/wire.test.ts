import { isDeepStrictEqual } from 'node:util'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { randomAct } from '~test/worlds/random-acts'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { Chance } from '../base/random'
import { applyPatch, fromWire, patchOf, toWire } from './wire'

const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value))
/** The runner's own look at a whole job is slow: it is asked only to tell what differs. */
function same(one: unknown, other: unknown): void {
  if (!isDeepStrictEqual(one, other)) expect(one).toEqual(other)
}
const vehicle = vehicleFrom(carFile(fourCorners))

test('a patch turns any value into any other, also after it has travelled as JSON', () => {
  fc.assert(
    fc.property(fc.jsonValue(), fc.jsonValue(), (from, to) => {
      const patch = patchOf(from, to)
      expect(applyPatch(from, patch && plain(patch))).toEqual(to)
    }),
  )
})

test('a job that travelled is the job, and takes back what the one at home does, over 3 000 random acts', () => {
  const chance = new Chance(13)
  for (let n = 0; n < 30; n++) {
    const method = chance.of(['two-person', 'pressure', 'gravity', 'vacuum'])
    const job = ScriptedJob.planned(vehicle, { reason: 'service' }, [method], 300)
    for (let i = 0; i < 100; i++) {
      const act = randomAct(job.state, chance)
      if (act.type !== 'parked' && job.refusal(act) === undefined) job.do(act)
      const travelled = fromWire(plain(toWire(job.state)))
      same(plain(travelled), plain(job.state))
      for (const [k, { before }] of job.state.undoable.entries())
        same(plain(travelled.undoable[k]?.before), plain(before))
    }
  }
})

test('what can be taken back weighs little beside the job', () => {
  const job = ScriptedJob.planned(vehicle, { reason: 'service' }, ['two-person'], 300).until(
    ({ events }) => events.length > 60,
  )
  const { undoable } = toWire(job.state)
  expect(undoable.length).toBe(5)
  const size = (value: unknown) => JSON.stringify(value).length
  expect(size(undoable)).toBeLessThan(0.15 * size({ ...job.state, undoable: [] }))
})

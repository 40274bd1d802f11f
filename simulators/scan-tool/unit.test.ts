import { expect, test } from 'vitest'
import { carefulAct } from '~core/job/careful'
import type { FloorEvent } from '~core/job/events'
import { examples } from '~core/vehicle/examples'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { vehicleFrom } from '~test/worlds/vehicles'
import { SimulatedUnit } from './unit'

const ACTS = 60

test('followed act by act a vehicle stands as where the whole job is sent each time; where one act was missed the whole is asked for', () => {
  const vehicle = vehicleFrom(structuredClone(examples['electric-post-van']?.file))
  const job = ScriptedJob.planned(vehicle, { reason: 'service' }, ['two-person'])
  const [whole, byAct] = [new SimulatedUnit(vehicle), new SimulatedUnit(vehicle)]
  for (let n = 0; n < ACTS; n++) {
    const act = carefulAct(job.state)
    if (!act) throw new Error('the bleed is shorter than this')
    job.do(act)
    const event = job.events.at(-1) as FloorEvent
    whole.follow(event, job.state)
    const followed = byAct.followNext(event, job.state.length)
    expect(followed).toBe(n > 0)
    if (!followed) byAct.follow(event, job.state)
    expect(byAct.passes(1)).toEqual(whole.passes(1))
  }
  job.do({ type: 'container-opened', container: { spec: vehicle.fluid.spec, batch: 'B1' } })
  const next = carefulAct(job.state)
  if (next) job.do(next)
  expect(byAct.followNext(job.events.at(-1) as FloorEvent, job.state.length)).toBe(false)
})

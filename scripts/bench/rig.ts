import { planOnRig } from '~core/plan/on-rig'
import { makePlan } from '~core/plan/plan'
import { shopSchema, workSchema } from '~core/plan/request'
import { readRigRequest } from '~core/rig/request'
import { Rig } from '~core/rig/run'
import type { Vehicle } from '~core/vehicle/schema'
import { line, medianMs, ms } from './measure'

/** A whole exchange by foot on the rig against the time it would take, and one warm pull. */
export async function benchRig(vehicle: Vehicle, pull: { cylinder: string; bleeder: string }): Promise<void> {
  const request = {
    vehicle,
    work: workSchema.parse({ reason: 'service' }),
    shop: shopSchema.parse({ methods: ['two-person'] }),
  }
  const plan = makePlan(request)
  let minutes = 0
  const jobMs = await medianMs(3, () => {
    minutes = planOnRig(request, plan)?.minutes ?? 0
  })
  line(
    `a job of ${minutes.toFixed(0)} min by foot on the rig (${ms(jobMs)})`,
    `${((minutes * 60_000) / jobMs).toFixed(0)} × real time`,
    '1000 ×, under 1 s',
  )
  const read = readRigRequest({ format: 'ruddy-siphon.rig-request', version: 1, vehicle })
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  const rig = new Rig(read.value)
  const { cylinder, bleeder } = pull
  const pullMs = await medianMs(20, () => {
    rig.do({ do: 'press', cylinder, effortN: 80, overS: 0.2, for: 0.5 })
    rig.do({ do: 'open', bleeder, turns: 0.5, hose: 'under-fluid', for: 2.5 })
    rig.do({ do: 'close', bleeder, for: 0.3 })
    rig.do({ do: 'release', cylinder, overS: 0.3, for: 1.5 })
    rig.do({
      do: 'pour',
      reservoir: vehicle.parts.find(({ type }) => type === 'reservoir')?.id ?? '',
      ml: 8,
      for: 0,
    })
  })
  line('one pull on the rig', ms(pullMs), 'under 5 ms')
}

import { boilingCurve } from '~core/fluid/boiling-curve'
import { cornerOutletShare } from '~core/physics/exchange/reservoir-carry'
import { makePlan } from '~core/plan/plan'
import { readPlanRequest } from '~core/plan/request'
import { planSampler } from '~core/plan/sampling'
import { outletByOde } from '~test/reference/outlet-by-ode'
import vanFile from '../../demo/vehicles/post-van-lhd.json'
import { line, medianMs, ms } from './measure'

/** 2000 samples of a four-wheel plan against the same transport solved as differential equations, and the curve. */
export async function benchPhysics() {
  const request = readPlanRequest({
    format: 'ruddy-siphon.plan-request',
    version: 1,
    vehicle: vanFile,
    work: { reason: 'service' },
    shop: { methods: ['two-person'] },
  })
  if (!request.ok) throw new Error(request.faults.map((fault) => fault.path).join())
  const samples = 2000
  const sampledMs = await medianMs(15, () => planSampler(request.value, 1)?.take(samples))
  const corners = [
    [60, 130],
    [45, 100],
    [38, 85],
    [24, 55],
  ] as const
  const through = (outlet: typeof cornerOutletShare) => () => {
    let share = 0.6
    let sum = 0
    for (const [volumeMl, throughMl] of corners) {
      sum += outlet(380, share, volumeMl, throughMl)
      share *= Math.exp(-throughMl / 380)
    }
    return sum
  }
  const [ours, odes] = [through(cornerOutletShare), through(outletByOde)]
  const odeMs = (await medianMs(200, odes)) * samples
  const apart = Math.abs(ours() / odes() - 1)
  const planMs = (await medianMs(100, () => makePlan(request.value))) * samples
  line(
    `${samples} samples of a four-wheel plan (${ms(sampledMs)}) against as many plans (${ms(planMs)})`,
    `${(planMs / sampledMs).toFixed(0)} ×`,
    '10 × faster',
  )
  const alone = await medianMs(50, () => {
    for (let i = 0; i < samples; i++) ours()
  })
  line(
    `transport through four wheels (${ms(alone)}) against the same by ODE (${ms(odeMs)}), ${samples} times`,
    `${(odeMs / alone).toFixed(0)} ×`,
    '100 × faster',
  )
  line('transport by closed form and by ODE, apart', `${(100 * apart).toPrecision(2)} %`, 'under 2 %')
  line(
    'boiling curve of 200 points, median of 50',
    ms(await medianMs(50, () => boilingCurve('DOT 4', { points: 200 }))),
    'under 5 ms',
  )
}

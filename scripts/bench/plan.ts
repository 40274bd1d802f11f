import { makePlan } from '~core/plan/plan'
import { readPlanRequest } from '~core/plan/request'
import vanFile from '../../demo/vehicles/post-van-lhd.json'
import { line, medianMs, ms } from './measure'

/** The van with two valves and three junctions added, so that it has twelve parts. */
function twelveParts() {
  const segments = [{ lengthM: 0.4, boreMm: 3.34, kind: 'tube' }]
  const extra = [
    { id: 'front valve', type: 'valve', role: 'proportioning', bleeders: [] },
    { id: 'rear valve', type: 'valve', role: 'load-sensing', bleeders: [{ id: 'LSV' }] },
    { id: 'tee 1', type: 'junction' },
    { id: 'tee 2', type: 'junction' },
    { id: 'tee 3', type: 'junction' },
  ]
  const lines = extra.map(({ id }) => ({ from: 'unit', to: id, circuit: 'rear', segments }))
  return { ...vanFile, parts: [...vanFile.parts, ...extra], lines: [...vanFile.lines, ...lines] }
}

export async function benchPlan() {
  const request = readPlanRequest({
    format: 'ruddy-siphon.plan-request',
    version: 1,
    vehicle: twelveParts(),
    work: { reason: 'repair', replaced: ['unit'] },
    shop: { methods: ['two-person', 'pressure', 'vacuum', 'bench', 'control-unit'] },
  })
  if (!request.ok) throw new Error(request.faults.map((fault) => fault.path).join())
  const taken = await medianMs(500, () => makePlan(request.value))
  line(
    `plan of a ${request.value.vehicle.parts.length}-part vehicle, median of 500`,
    ms(taken),
    'under 5 ms, its search for the least fluid in it',
  )
}

import { parentPort, workerData } from 'node:worker_threads'
import { planOnRig } from '~core/plan/on-rig'
import { makePlan } from '~core/plan/plan'
import type { PlanRequest } from '~core/plan/request'
import { usual } from '~core/rig/usual'
import { leavesOf } from './leaves-of'

/** Tells which of the usual values each job asks for: in a thread of its own, as a rig that is watched stays slow. */
let asked = new Set<string>()
for (const [name, holder, key] of leavesOf(usual)) {
  const value = holder[key]
  Object.defineProperty(holder, key, {
    get: () => {
      asked.add(name)
      return value
    },
  })
}
parentPort?.postMessage(
  (workerData as readonly PlanRequest[]).map((request) => {
    asked = new Set()
    planOnRig(request, makePlan(request))
    return asked
  }),
)

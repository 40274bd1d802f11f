import * as Comlink from 'comlink'
import { type OnRig, planOnRig } from '~core/plan/on-rig'
import { makePlan } from '~core/plan/plan'
import type { PlanRequest } from '~core/plan/request'

/** A plan on the simulated vehicle, away from the page. Whoever no longer wants it ends the worker. */
const rig = {
  /** @returns undefined for a plan that stops */
  run: (request: PlanRequest): OnRig | undefined => planOnRig(request, makePlan(request)),
}
export type PlanRig = typeof rig

Comlink.expose(rig)

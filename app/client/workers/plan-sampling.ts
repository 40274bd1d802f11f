import * as Comlink from 'comlink'
import type { PlanRequest } from '~core/plan/request'
import { type PlanSpread, planSampler } from '~core/plan/sampling'

/** Samples between two looks at whether somebody said stop. */
const PORTION = 100

/** A laden page shows no more than ten steps a second; reports it has not read yet would stand before its answer. */
const REPORT_EVERY_MS = 100
let stopped = false

/** A plan under what is not known, away from the page: it can be watched and stopped. */
const sampling = {
  /** @returns undefined where there is nothing to sample; fewer samples than asked for where it was stopped */
  async sample(
    request: PlanRequest,
    samples: number,
    onProgress: (taken: number) => void | Promise<void>,
  ): Promise<PlanSpread | undefined> {
    stopped = false
    const sampler = planSampler(request, 1)
    if (!sampler) return undefined
    let reported = Number.NEGATIVE_INFINITY
    while (sampler.taken < samples && !stopped) {
      sampler.take(Math.min(PORTION, samples - sampler.taken))
      if (performance.now() - reported >= REPORT_EVERY_MS) {
        await onProgress(sampler.taken)
        reported = performance.now()
      }
      // A message that says stop is heard between two portions.
      await new Promise((resume) => setTimeout(resume))
    }
    return sampler.spread()
  },
  stop() {
    stopped = true
  },
}
export type PlanSampling = typeof sampling

Comlink.expose(sampling)

import * as Comlink from 'comlink'
import type { Fault } from '~core/base/fault'
import type { Diagnosis } from '~core/diagnosis/answer'
import { contradiction, diagnose } from '~core/diagnosis/diagnose'
import { type Estimate, estimateNow } from '~core/diagnosis/estimate'
import type { Case } from '~core/diagnosis/request'

/** What is wrong and what to try next, with what mending the likeliest costs; or why it cannot all be so. */
export type FinderAnswer =
  | { ok: true; diagnosis: Diagnosis; estimate?: Estimate }
  | { ok: false; fault: Fault }

/** The search for a fault, away from the page. */
const finder = {
  diagnose(of: Case): FinderAnswer {
    const fault = contradiction(of)
    if (fault) return { ok: false, fault }
    const diagnosis = diagnose(of)
    return { ok: true, diagnosis, estimate: estimateNow(of, diagnosis) }
  },
}
export type Finder = typeof finder

Comlink.expose(finder)

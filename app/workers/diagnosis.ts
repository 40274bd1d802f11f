import * as Comlink from 'comlink'
import type { Diagnosis } from '~core/diagnosis/answer'
import { diagnose } from '~core/diagnosis/diagnose'
import type { Case } from '~core/diagnosis/request'

/** What is wrong and what to try next, away from the page. */
const finder = {
  diagnose: (of: Case): Diagnosis => diagnose(of),
}
export type Finder = typeof finder

Comlink.expose(finder)

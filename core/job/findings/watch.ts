import type { Fact } from '../../base/decision'
import type { Complaint } from '../../diagnosis/complaints'
import type { Found } from '../../diagnosis/request'
import type { Technique } from '../../technique/technique'
import type { FloorEvent, Unstamped } from '../events'
import type { Running } from '../events/kind'
import type { PointRun, StageRunState } from '../state'

/** Something worth saying while the work goes on: what is seen, and what to look at because of it. */
export type Finding = Fact & {
  /** What to check, the quickest first. */
  checks: readonly Fact[]
  /** Where the search for its cause begins, as what somebody would complain of. */
  leads?: Complaint
  /** What was seen of it already, which the search need not ask for again. */
  told?: readonly Found[]
  /** It is looked for place by place, and each look is recorded. */
  looksInTurn?: true
  /** Something is to be left alone for so long, from a moment on. */
  waitS?: number
  /** An act that mends it, with what its button says. */
  mends?: { says: Fact; act: Unstamped<FloorEvent> }
  since?: string
}

/** What a watcher looks at: the place under work, and the way it is worked. */
export type Seen = {
  state: Running
  stageRun: StageRunState
  point: string
  progress: PointRun
  technique: Technique
}

/** One thing that is watched. A new one is one file and one line in the list. */
export type Watcher = (seen: Seen) => Finding | undefined

import type { Technique } from '../../technique/technique'
import type { PointRun, StageRunState } from '../state'
import type { Running } from '../troubles/trouble'

/** Something worth saying while the work goes on: what is seen, and what to look at because of it. */
export type Finding = {
  code: string
  says: string
  /** What to check, the quickest first. */
  checks: string[]
  /** Something is to be left alone for so long, from a moment on. */
  waitS?: number
  since?: string
}

/** Figures in the words and units of whoever reads. */
export type Say = {
  volume: (ml: number) => string
  flow: (mlPerMin: number) => string
  temperature: (c: number) => string
}
export const metric: Say = {
  volume: (ml) => `${Math.round(ml)} mL`,
  flow: (mlPerMin) => `${Math.round(mlPerMin)} mL/min`,
  temperature: (c) => `${Math.round(c)} °C`,
}

/** What a watcher looks at: the place under work, and the way it is worked. */
export type Seen = {
  state: Running
  stageRun: StageRunState
  point: string
  progress: PointRun
  technique: Technique
  say: Say
}

/** One thing that is watched. A new one is one file and one line in the list. */
export type Watcher = (seen: Seen) => Finding | undefined

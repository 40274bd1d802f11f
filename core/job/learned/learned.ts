import { type Fact, fact, type Params } from '../../base/decision'

/** Something a job found out about its vehicle, for the next one. */
export type Learned = {
  jobId: string
  /** When it was found out. */
  at: string
  kind:
    | 'spanner'
    | 'adapter'
    | 'bench-thread'
    | 'scan-tool'
    | 'tool-menu'
    | 'tool-misled'
    | 'routine-minutes'
    | 'volume'
    | 'seized'
    | 'snapped'
    | 'stripped'
  /** The bleeder it is about; absent for the whole vehicle. */
  bleeder?: string
  /** Millimetres of a spanner, mL through a bleeder, minutes of a routine. */
  value?: number
  /** What fitted, in words. */
  what?: string
  /** The other vehicle of its kind that it was found out on; absent where it was this one. */
  plate?: string
}

/** Of each thing the newest: a spanner that fitted last month says more than one of two years ago. */
export function newestLearned(all: readonly Learned[]): Learned[] {
  const newest = new Map<string, Learned>()
  for (const each of all) {
    const key = `${each.kind}\n${each.bleeder ?? ''}`
    const known = newest.get(key)
    if (!known || each.at > known.at) newest.set(key, each)
  }
  return [...newest.values()].sort(
    (a, b) =>
      Number(isTrouble(b)) - Number(isTrouble(a)) || compareBleeders(a, b) || (a.kind < b.kind ? -1 : 1),
  )
}

/** What went wrong with a bleeder, to be ready for before it is touched again. */
export const isTrouble = ({ kind }: Learned): boolean => ['seized', 'snapped', 'stripped'].includes(kind)

const compareBleeders = (a: Learned, b: Learned): number =>
  (a.bleeder ?? '') < (b.bleeder ?? '') ? -1 : (a.bleeder ?? '') > (b.bleeder ?? '') ? 1 : 0

/** What was learned at a control unit holds for every vehicle of the same kind. */
export const ofItsKind = ({ kind }: Learned): boolean =>
  (['scan-tool', 'tool-menu', 'tool-misled', 'routine-minutes'] as const).some((each) => each === kind)

/** It as a fact to be said. */
export const learnedFact = ({ kind, bleeder = '', value = 0, what = '', plate }: Learned): Fact => {
  const learned = fact(`learned-${kind}`, { bleeder, what, ...amountOf(kind, value) })
  return plate === undefined ? learned : fact('learned-on', { learned, plate })
}

const amountOf = (kind: Learned['kind'], value: number): Params =>
  kind === 'volume' ? { outMl: value } : { value }

/** Something a job found out about its vehicle, for the next one. */
export type Learned = {
  jobId: string
  /** When it was found out. */
  at: string
  kind: 'spanner' | 'adapter' | 'bench-thread' | 'scan-tool' | 'volume' | 'seized' | 'snapped' | 'stripped'
  /** The bleeder it is about; absent for the whole vehicle. */
  bleeder?: string
  /** Millimetres of a spanner, mL through a bleeder. */
  value?: number
  /** What fitted, in words. */
  what?: string
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

/** It as a sentence; volumes in the words of whoever reads. */
export function learnedSentence(
  { kind, bleeder, value, what }: Learned,
  showMl: (ml: number) => string = (ml) => `${Math.round(ml)} mL`,
): string {
  switch (kind) {
    case 'spanner':
      return `Bleeder ${bleeder}: a ${value} mm spanner fitted.`
    case 'volume':
      return `Bleeder ${bleeder}: ${showMl(value ?? 0)} went through it.`
    case 'adapter':
      return `Cap adapter that fitted: ${what}.`
    case 'bench-thread':
      return `Bench thread that fitted: ${what}.`
    case 'scan-tool':
      return `At the scan tool: ${what}.`
    case 'seized':
      return `Bleeder ${bleeder} was seized: soak it before you start.`
    case 'snapped':
      return `Bleeder ${bleeder} snapped: look whether the new one turns.`
    case 'stripped':
      return `Bleeder ${bleeder} had a stripped thread: look whether it holds.`
  }
}

/** Who does a step. The desk sees to what is not at the vehicle. */
export type Actor = 'wheel' | 'cab' | 'tool' | 'desk'

/** One thing to do and confirm; `asksMl` where an amount is written down with it. */
export type Step = {
  id: string
  text: string
  /** What to mind while doing it. */
  detail?: string
  who: Actor
  asksMl?: 'poured' | 'drawn'
  fillsToMax?: true
  /** Where drawing leaves the reservoir. */
  drawsTo?: 'min' | 'empty'
  /** The one reservoir it concerns; left out, all of them. */
  reservoir?: string
  /** Must be held this long, timed; ended sooner it is not done. */
  holdS?: number
  /** Usually left this long; the timer advises, the eyes decide. */
  waitS?: number
}

/** What is done before the first place that is worked at, and after the last. */
export type Steps = { before: Step[]; after: Step[] }

const by = (who: Actor) => (id: string, text: string, detail?: string) =>
  ({ id, text, who, ...(detail && { detail }) }) as Step

export const atWheel = by('wheel')
export const inCab = by('cab')
export const atTool = by('tool')

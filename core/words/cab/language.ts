import type { CabAct, CabPedal, CabSays, CabStroke, CabTask, WheelDoes } from './told'

/** Everything a cab is told, in one language. One word where one will do. */
export type CabLanguage = {
  /** In itself: "Deutsch". */
  name: string
  /** For the page and for whoever reads it aloud. */
  tag: string
  /** Which way it is written. */
  dir: 'ltr' | 'rtl'
  /** Said beside its name where nobody who speaks it has read it through; in itself. */
  unchecked?: string
  says: Record<CabSays, string>
  /** Under the word, where the word alone is not enough. */
  means: Record<CabSays, string>
  /** What is pressed, before the first word about it. */
  pedals: Record<CabPedal, string>
  /** Under PRESS, by how far down and whether it is pumped first. */
  presses: Record<CabStroke, string> & { pumped: (times: number) => string }
  /** What is to be done in the cab beside a call. */
  tasks: Record<CabTask, string>
  confirms: Record<CabAct, string>
  /** Instead of the first confirmation, where the pedal was pumped: it went hard. */
  hard: string
  wheel: Record<WheelDoes, string>
  /** The link is gone: whatever stood last, hold. */
  lost: { says: string; means: string }
  late: string
  noLink: string
  linked: string
  slipped: string
  /** What a phone cannot do over plain http. */
  staysOn: string
  /** The two switches, and what a browser without a voice says. */
  heard: { sound: string; voice: string; noVoice: string }
  /** Why an act was not taken. */
  refusals: Record<CabRefusalCode, string>
}

/** Every reason a cab's act may be refused for that it can do something about; whatever else is `other`. */
export const cabRefusalCodes = [
  'gone-on',
  'act-not-now',
  'job-parked',
  'job-filed',
  'no-answer',
  'other',
] as const
export type CabRefusalCode = (typeof cabRefusalCodes)[number]

/** A refusal by its code, in the language of the phone. */
export const refusalIn = ({ refusals }: CabLanguage, code: string): string =>
  refusals[cabRefusalCodes.find((each) => each === code) ?? 'other']

/** What the one button says, by what it confirms and whether the pedal was pumped for it. */
export const confirmIn = ({ confirms, hard }: CabLanguage, confirm: CabAct, pumps: number): string =>
  confirm === 'holding' && pumps > 0 ? hard : confirms[confirm]

/** What stands under the word: for PRESS which pedal, how often and how far; for a task what it is. */
export function meaningIn(
  { means, pedals, presses, tasks }: CabLanguage,
  told: {
    says: CabSays
    task?: CabTask
    pedal: CabPedal
    namesPedal: boolean
    pumps: number
    stroke: CabStroke
  },
): string {
  const { says, task, pedal, namesPedal, pumps, stroke } = told
  if (says === 'do' && task) return tasks[task]
  if (says !== 'press') return means[says]
  return [namesPedal ? pedals[pedal] : '', pumps > 0 ? presses.pumped(pumps) : '', presses[stroke]]
    .filter(Boolean)
    .join(' ')
}

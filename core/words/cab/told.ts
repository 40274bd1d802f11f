/** All that a phone in the cab can be told, apart from any language. */

/** The one big word. `do`: a step in the cab; `away`: no part for it; `ended`: filed; `parked`: everybody stopped. */
export const cabSays = [
  'wait',
  'press',
  'pump',
  'hold',
  'release',
  'stay-off',
  'do',
  'away',
  'parked',
  'ended',
] as const
export type CabSays = (typeof cabSays)[number]

/** Acts that a cab may send; every other is the wheel's. */
export const cabActs = ['holding', 'near-bottom', 'tool-stops', 'release', 'foot-slipped'] as const
export type CabAct = (typeof cabActs)[number]

/** What the wheel is doing, for whoever cannot see it. */
export const wheelDoes = [
  'getting-ready',
  'calling',
  'opening',
  'open',
  'closing',
  'looking',
  'done',
] as const
export type WheelDoes = (typeof wheelDoes)[number]

/** What is pressed. */
export const cabPedals = ['brake', 'clutch', 'lever', 'foot-lever'] as const
export type CabPedal = (typeof cabPedals)[number]

/** How far down: a worn bore beyond its usual stroke cuts the seals, a new cylinder has none. */
export const cabStrokes = ['all-the-way', 'near-bottom'] as const
export type CabStroke = (typeof cabStrokes)[number]

/** Steps that somebody in the cab does, by their code: the phone says each in its own language. */
export const cabTasks = [
  'booster',
  'lever-released',
  'press-hard',
  'pistons-seated',
  'procedure-foot-hold',
  'procedure-foot-pump',
  'procedure-foot-release',
] as const
export type CabTask = (typeof cabTasks)[number]

export const isCabTask = (code: string): code is CabTask => cabTasks.some((each) => each === code)

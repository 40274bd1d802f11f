import type { Fact } from '../base/decision'
import { type Show, showIn } from '../units/show'
import { metricUnits } from '../units/units'
import { english } from './en'
import { type Say, sayIn, type Words } from './say'

export type { Say } from './say'

const added = new Map<string, Words[string]>()

/** Words of something that was added while the program runs. @returns takes them out again */
export function registerWords(words: Words): () => void {
  for (const [code, wording] of Object.entries(words)) added.set(code, wording)
  return () => {
    for (const code of Object.keys(words)) added.delete(code)
  }
}

/** Words known by a code, of the language or added to it. */
const known: Words = new Proxy(english, {
  get: (words, code) => (typeof code === 'string' ? (added.get(code) ?? words[code]) : undefined),
})

/** Says facts in English and in these units. */
export const sayEnglish = (show: Show): Say => sayIn(known, show)

/** In English and metric: what the command answers. */
export const sayMetric: Say = sayEnglish(showIn(metricUnits))

/** Whether there are words for a code. */
export const hasWords = (code: string): boolean => known[code] !== undefined

type Worded<T> = T extends readonly (infer E)[]
  ? Worded<E>[]
  : T extends { code: string }
    ? { [K in keyof T]: Worded<T[K]> } & { text: string }
    : T extends object
      ? { [K in keyof T]: Worded<T[K]> }
      : T

/**
 * The same with the sentence beside every fact in it, for whoever has no words of their own. What fills the sentence
 * is left as it is.
 */
export function worded<T>(value: T, say: Say = sayMetric): Worded<T> {
  return wordedAny(value, say) as Worded<T>
}

function wordedAny(value: unknown, say: Say): unknown {
  if (Array.isArray(value)) return value.map((each) => wordedAny(each, say))
  if (typeof value !== 'object' || value === null) return value
  const { code, params, ...rest } = value as { code?: unknown; params?: unknown; who?: unknown }
  const inside = Object.fromEntries(
    Object.entries(rest).flatMap(([key, each]) => (each === undefined ? [] : [[key, wordedAny(each, say)]])),
  )
  if (typeof code !== 'string') return inside
  // A step's words go by codes of their own: what to do, and what to mind.
  const step = 'who' in rest && 'id' in rest
  const fact = value as Fact
  const detail =
    step &&
    say({
      code: `mind-${code}`,
      params: fact.params,
      text: fact.text && (rest as { detail?: string }).detail,
    })
  return {
    code,
    text: say(step ? { ...fact, code: `do-${code}` } : fact),
    ...(detail && { detail }),
    ...(params !== undefined && { params }),
    ...inside,
  }
}

import type { Fact, Param, Params } from '../base/decision'
import type { Show } from '../units/show'
import type { Quantity } from '../units/units'

/** A sentence with places to fill, or what makes one where its parts depend on each other. */
export type Wording = string | ((params: Params, say: Say) => string)
export type Words = Readonly<Record<string, Wording>>

/** Says facts to one reader. */
export type Say = {
  (fact: Fact): string
  /** One parameter as it is read: an amount in the reader's unit, by the ending of its name. */
  value: (name: string, value: Param) => string
  show: Show
}

/** What an ending of a parameter's name means; the longest that fits counts. */
const endings: readonly (readonly [string, Quantity])[] = [
  ['MlPerMin', 'flow'],
  ['Ml', 'volume'],
  ['KPa', 'pressure'],
  ['Nm', 'torque'],
  ['Km', 'distance'],
  ['Mm', 'length'],
  ['M', 'run'],
]

const rounded = (value: number, steps = 10): string =>
  String(Math.round(value * steps) / steps).replace('-', '−')

function amount(name: string, value: number, show: Show): string {
  if (name.endsWith('ApartC')) return show.apart('temperature', value)
  if (name.endsWith('C')) return show('temperature', value)
  if (name.endsWith('Pct')) return `${rounded(value, 100)} %`
  if (name.endsWith('S')) return `${Math.round(value)} s`
  const [, quantity] = endings.find(([ending]) => name.endsWith(ending)) ?? []
  return quantity ? show(quantity, value) : rounded(value)
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
const PLACE = /\{(\^?)(\w+)\}/g

/**
 * How facts are said in one language and one reader's units. `{name}` in a sentence is filled with that parameter,
 * `{^name}` begins with a capital.
 *
 * What an earlier version recorded as a sentence is said as it stands. A code that these words do not know, as a later
 * version may have stored, is said as the code it is.
 */
export function sayIn(words: Words, show: Show): Say {
  const say = (fact: Fact): string => {
    if (fact.text !== undefined) return fact.text
    const wording = words[fact.code]
    if (wording === undefined) return fact.code.replaceAll('-', ' ')
    const { params = {} } = fact
    if (typeof wording !== 'string') return wording(params, said)
    return wording.replace(PLACE, (_, up: string, name: string) => {
      const filled = value(name, params[name])
      return up === '' ? filled : capital(filled)
    })
  }
  const value = (name: string, param: Param): string => {
    if (param === undefined) return ''
    if (typeof param === 'number') return amount(name, param, show)
    if (typeof param === 'object')
      return Array.isArray(param) ? param.map((each) => value(name, each)).join(', ') : say(param as Fact)
    return String(param)
  }
  const said: Say = Object.assign(say, { value, show })
  return said
}

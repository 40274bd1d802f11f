import { zoneHere } from './zone'

/** Numbers and times as they are shown. One locale and zone for server and browser, or pages would differ between them. */
const LOCALE = 'en-GB'
const day = { day: 'numeric', month: 'short' } as const
const time = { hour: '2-digit', minute: '2-digit' } as const

const made = new Map<string, Intl.DateTimeFormat>()
function formatIn(zone: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = `${zone} ${JSON.stringify(options)}`
  const format = made.get(key) ?? new Intl.DateTimeFormat(LOCALE, { ...options, timeZone: zone })
  made.set(key, format)
  return format
}
const shown = (iso: string, options: Intl.DateTimeFormatOptions) =>
  formatIn(zoneHere(), options).format(new Date(iso))

/** A moment's day in the shop; a calendar day is that day wherever it is read. */
export const showDate = (iso: string): string =>
  formatIn(iso.length === 10 ? 'UTC' : zoneHere(), { ...day, year: 'numeric' }).format(new Date(iso))
/** A moment close to now, where the year would only take room. */
export const showMoment = (iso: string): string => shown(iso, { ...day, ...time })
export const showTime = (iso: string): string => shown(iso, { ...day, year: 'numeric', ...time })
/** To the second, for a trace. */
export const showClock = (iso: string): string => shown(iso, { ...day, ...time, second: '2-digit' })

export const showMinutes = (minutes: number): string => (minutes < 1 ? '< 1' : String(Math.round(minutes)))

/** What a count is called: one pull, two pulls. */
export const counted = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`

export const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1)
export const upperFirst = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

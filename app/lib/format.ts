/** Numbers and times as they are shown. One locale and zone for server and browser, or pages would differ between them. */
const LOCALE = 'en-GB'
const date = new Intl.DateTimeFormat(LOCALE, {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  timeZone: 'UTC',
})
const dateAndTime = new Intl.DateTimeFormat(LOCALE, {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
  timeZone: 'UTC',
})

const moment = new Intl.DateTimeFormat(LOCALE, {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
  timeZone: 'UTC',
})

export const showDate = (iso: string): string => date.format(new Date(iso))
/** A moment close to now, where the year would only take room. */
export const showMoment = (iso: string): string => `${moment.format(new Date(iso))} UTC`
export const showTime = (iso: string): string => `${dateAndTime.format(new Date(iso))} UTC`

export const showMinutes = (minutes: number): string => (minutes < 1 ? '< 1' : String(Math.round(minutes)))

/** What a count is called: one pull, two pulls. */
export const counted = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`

const clock = new Intl.DateTimeFormat(LOCALE, {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
  second: '2-digit',
  timeZone: 'UTC',
})

/** To the second, for a trace. */
export const showClock = (iso: string): string => clock.format(new Date(iso))

/**
 * The shop's time zone: one for a whole server and everybody who looks at it, since a day in the logbook is the day in
 * the shop. Set where a request begins, and in the browser before anything is drawn.
 */
let zone = 'UTC'

export function setZone(name: string): void {
  zone = name
}
export const zoneHere = (): string => zone

const known = new Map<string, boolean>()

/** Whether a name is one that this machine knows. Every request asks, and finding out takes half a millisecond. */
export function isZone(name: string): boolean {
  const before = known.get(name)
  if (before !== undefined) return before
  let is = true
  try {
    new Intl.DateTimeFormat('en-GB', { timeZone: name })
  } catch {
    is = false
  }
  // Names come from a form too.
  if (known.size < 1000) known.set(name, is)
  return is
}

const days = new Map<string, Intl.DateTimeFormat>()

/** The calendar day of a moment in the shop, like 2026-04-09. */
export function dayIn(moment: Date, name = zone): string {
  const format = days.get(name) ?? new Intl.DateTimeFormat('en-CA', { timeZone: name, dateStyle: 'short' })
  days.set(name, format)
  return format.format(moment)
}

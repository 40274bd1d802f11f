/** Wrong tries in a row, and until when no more are heard. Times in ms. */
export type Tries = { wrong: number; lockedUntilMs: number }

/** So many wrong ones in a row lock; each further such row doubles the wait. @source from memory */
const ROW = 5
/** A screen of the shop is shared: for all people together the row is longer. */
const ROW_OF_ALL = 20
const FIRST_LOCK_MS = 5 * 60_000
const LONGEST_LOCK_MS = 12 * 60 * 60_000
/** Wrong tries for one person from places where they never were, after which no such place is heard any more. */
const MOST_FROM_STRANGERS = 25
/** So many people and places are remembered of each sort. */
const MOST_REMEMBERED = 3000

export const noTries: Tries = { wrong: 0, lockedUntilMs: 0 }
export const isLocked = ({ lockedUntilMs }: Tries, nowMs: number): boolean => nowMs < lockedUntilMs
export const triesLeft = ({ wrong }: Tries): number => ROW - (wrong % ROW)

export function afterWrong({ wrong }: Tries, nowMs: number, row = ROW): Tries {
  const count = wrong + 1
  const rows = count / row
  if (!Number.isInteger(rows)) return { wrong: count, lockedUntilMs: 0 }
  return { wrong: count, lockedUntilMs: nowMs + Math.min(FIRST_LOCK_MS * 2 ** (rows - 1), LONGEST_LOCK_MS) }
}

/** `person` may say more than who it is, as which PIN they have: what is said to it begins with the same. */
type Knock = { person: string; place: string }
/** Why a try is not even looked at: this place has to wait, or nobody from elsewhere is heard for this person. */
export type Closed = { why: 'wait'; untilMs: number } | { why: 'strangers' }

/**
 * Tries of PINs, by person and by where they came from: who guesses at somebody else's locks themselves out, not them.
 * A place that tries one person after another is counted for all of them together.
 */
export class Doors {
  private readonly tries = new Map<string, Tries>()
  private readonly strangers = new Map<string, number>()
  private readonly known = new Set<string>()

  closed({ person, place }: Knock, nowMs: number): Closed | undefined {
    for (const key of [pair(person, place), place]) {
      const tried = this.tries.get(key)
      if (tried && isLocked(tried, nowMs)) return { why: 'wait', untilMs: tried.lockedUntilMs }
    }
    const tooMany = (this.strangers.get(person) ?? 0) >= MOST_FROM_STRANGERS
    return tooMany && !this.known.has(pair(person, place)) ? { why: 'strangers' } : undefined
  }
  /** Counted before the PIN is looked at, so that many at once gain nothing. @returns the tries that are left */
  knock({ person, place }: Knock, nowMs: number): number {
    const key = pair(person, place)
    const tried = afterWrong(this.tries.get(key) ?? noTries, nowMs)
    remember(this.tries, key, tried)
    remember(this.tries, place, afterWrong(this.tries.get(place) ?? noTries, nowMs, ROW_OF_ALL))
    if (!this.known.has(key)) remember(this.strangers, person, (this.strangers.get(person) ?? 0) + 1)
    return triesLeft(tried) === ROW ? 0 : triesLeft(tried)
  }
  opened({ person, place }: Knock): void {
    this.tries.delete(pair(person, place))
    this.tries.delete(place)
    this.strangers.delete(person)
    this.known.add(pair(person, place))
  }
  /** How much is remembered. */
  get remembered(): number {
    return this.tries.size + this.strangers.size + this.known.size
  }
  /** A colleague vouches for them. */
  unlock(person: string): void {
    for (const map of [this.tries, this.strangers])
      for (const key of map.keys()) if (key.startsWith(person)) map.delete(key)
  }
  /** Wrong tries for this person since they last came in, from anywhere. */
  wrongFor(person: string): number {
    let count = 0
    for (const [key, { wrong }] of this.tries) if (key.startsWith(person)) count += wrong
    return count
  }
}

/** Put newest last, and let go of the oldest: whoever comes from ever new addresses fills no memory. */
function remember<V>(map: Map<string, V>, key: string, value: V): void {
  map.delete(key)
  map.set(key, value)
  const oldest = map.keys().next().value
  if (map.size > MOST_REMEMBERED && oldest !== undefined) map.delete(oldest)
}

const pair = (person: string, place: string): string => `${person} ${place}`

import { useSyncExternalStore } from 'react'

/**
 * Something that this device remembers of itself: a phone is not a tablet. A browser that keeps nothing knows it until the
 * page is left.
 *
 * @param name what it is kept under
 * @param read what is kept as it is meant; anything else may stand under that name
 * @param before what holds until something was said, and on the server
 */
export function keptHere<T>(name: string, read: (kept: unknown) => T, before: T) {
  const watchers = new Set<() => void>()
  let known: { is: T } | undefined
  const fromStore = (): T => {
    try {
      const kept = localStorage.getItem(name)
      return kept === null ? before : read(JSON.parse(kept))
    } catch {
      return before
    }
  }
  const now = (): T => {
    known ??= { is: fromStore() }
    return known.is
  }
  const set = (is: T) => {
    known = { is }
    try {
      localStorage.setItem(name, JSON.stringify(is))
    } catch {
      // It holds for this page, and is not remembered.
    }
    for (const watch of watchers) watch()
  }
  const watched = (watch: () => void) => {
    watchers.add(watch)
    return () => void watchers.delete(watch)
  }
  return { now, set, use: () => useSyncExternalStore(watched, now, () => before) }
}

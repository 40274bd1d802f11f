import { useSyncExternalStore } from 'react'

/** What this device does besides showing. Off until somebody asks, and remembered here: a phone is not a tablet. */
export type Heard = { sound: boolean; voice: boolean }

const KEY = 'heard'
const off: Heard = { sound: false, voice: false }
const watchers = new Set<() => void>()
let known: Heard | undefined

function read(): Heard {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Heard>
    return { sound: kept.sound === true, voice: kept.voice === true }
  } catch {
    // A browser that keeps nothing, or something else under this name: silence, as before anybody asked.
    return off
  }
}
const now = (): Heard => {
  known ??= read()
  return known
}

export function setHeard(changed: Partial<Heard>): void {
  known = { ...now(), ...changed }
  try {
    localStorage.setItem(KEY, JSON.stringify(known))
  } catch {
    // It holds for this page, and is not remembered.
  }
  for (const watch of watchers) watch()
}

export const useHeard = (): Heard =>
  useSyncExternalStore(
    (watch) => {
      watchers.add(watch)
      return () => watchers.delete(watch)
    },
    now,
    () => off,
  )

import { useSyncExternalStore } from 'react'

const KEPT_AS = 'ruddy-siphon.foot-switch'
/** Keys that mean something here already, or leave the page. */
const TAKEN = new Set(['Enter', 'Escape', 'Tab', 'Shift', 'Control', 'Alt', 'Meta', 'CapsLock', '?'])
const BAY_KEYS = /^[bc1-9]$/i

/** A foot switch is a keyboard with one key: which one it sends besides Space, on this device. */
let known: string | undefined
const told = new Set<() => void>()

/** Kept for this session alone where the browser keeps nothing. */
function read(): string | undefined {
  if (known === undefined) {
    try {
      known = localStorage.getItem(KEPT_AS) ?? ''
    } catch {
      known = ''
    }
  }
  return known || undefined
}

/** Whether a key may go on with the work: none that says something else in the bay. */
export const mayBeFootSwitch = (key: string): boolean => !TAKEN.has(key) && !BAY_KEYS.test(key)

/** Learn the key that the foot switch sends. */
export function learnFootSwitch(key: string): void {
  known = key
  try {
    localStorage.setItem(KEPT_AS, key)
  } catch {
    // A browser that keeps nothing knows it until the page is left.
  }
  for (const tell of told) tell()
}

/** The key of the foot switch; undefined while only Space is known. */
export const useFootSwitch = (): string | undefined =>
  useSyncExternalStore(
    (tell) => {
      told.add(tell)
      return () => void told.delete(tell)
    },
    read,
    () => undefined,
  )

/** Whether an event is the foot switch or Space. */
export const isGoOnKey = ({ key }: KeyboardEvent): boolean => key === ' ' || key === read()

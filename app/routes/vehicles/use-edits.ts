import { useState } from 'react'
import { readVehicle } from '~core/vehicle/read-vehicle'
import type { Vehicle } from '~core/vehicle/schema'

/** Every state the vehicle went through on this page, and where in them it stands. */
export function useEdits(saved: Vehicle) {
  const [{ states, at }, setHistory] = useState({ states: [saved], at: 0 })
  const vehicle = states[at] ?? saved
  return {
    vehicle,
    /** As it last could be read: what is drawn while something is wrong. */
    lastGood: states.slice(0, at + 1).findLast((state) => readVehicle(state).ok) ?? saved,
    changed: at > 0,
    change: (next: Vehicle) => setHistory({ states: [...states.slice(0, at + 1), next], at: at + 1 }),
    undo: at > 0 ? () => setHistory({ states, at: at - 1 }) : undefined,
    redo: at < states.length - 1 ? () => setHistory({ states, at: at + 1 }) : undefined,
  }
}

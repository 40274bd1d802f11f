import { z } from 'zod'
import { fact } from '../../base/decision'
import type { EventKind } from './kind'
import { short, stamp } from './stamp'

export const undoneSchema = z.object({ ...stamp, type: z.literal('undone'), event: short })

/** Undo is an event too: the log keeps what was done and that it was taken back. */
export const undone: EventKind<z.output<typeof undoneSchema>> = {
  type: 'undone',
  schema: undoneSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: false,
  aside: true,
  wentWrong: () => true,
  refuse: ({ undoable }, { event }) =>
    undoable.at(-1)?.eventId === event ? undefined : fact('nothing-to-undo'),
  apply(state, { event }) {
    const last = state.undoable.at(-1)
    if (last?.eventId !== event) return state
    // A value that was absent is absent again, also after a state has travelled as JSON.
    const restored = Object.fromEntries(last.keys.map((key) => [key, last.before[key]]))
    return { ...state, ...restored, undoable: state.undoable.slice(0, -1) }
  },
}

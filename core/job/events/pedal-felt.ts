import { z } from 'zod'
import { fact } from '../../base/decision'
import { inOrder, pedalShape } from '../pedal-felt'
import { bleedDone } from '../selectors'
import { allOpen } from '../standing'
import type { EventKind } from './kind'
import { stamp } from './stamp'

export const pedalFeltEventSchema = z.object({ ...stamp, type: z.literal('pedal-felt'), ...pedalShape })
type PedalFeltEvent = z.output<typeof pedalFeltEventSchema>

/** How the pedal travels, by hand and rule: before anything is touched, between, and at the end. */
export const pedalFeltEvent: EventKind<PedalFeltEvent> = {
  type: 'pedal-felt',
  schema: pedalFeltEventSchema,
  version: 1,
  upcasts: [],
  madeAt: 'desk',
  undo: false,
  whileParked: true,
  refuse(state, event) {
    if (allOpen(state).length > 0 || (state.run && state.run.call !== 'rest')) return fact('pedal-not-now')
    return inOrder(event) ? undefined : fact('pedal-not-in-order')
  },
  apply: (state, { biteMm, firmMm, bottomMm, sinkMm, at, by }) => ({
    ...state,
    pedal: [...(state.pedal ?? []), { biteMm, firmMm, bottomMm, sinkMm, at, by, bled: bleedDone(state) }],
  }),
}

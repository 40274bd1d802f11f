import { z } from 'zod'
import { fact } from '../../base/decision'
import { partsOf } from '../../vehicle/parts'
import { passedFrom, withoutProofs } from '../proofs/voids'
import { bleedDone } from '../selectors'
import { readingWrong, readTimes, unitReadingSchema } from '../unit-ledger'
import type { EventKind } from './kind'
import { short, stamp } from './stamp'

export const unitReadSchema = z.object({
  ...stamp,
  type: z.literal('unit-read'),
  unit: short,
  when: z.enum(readTimes),
  reading: unitReadingSchema,
  /** What had been proved and says that the units are sound, or rests on that. Worked out where this says otherwise. */
  voids: z.array(short).max(100).optional(),
})
type UnitRead = z.output<typeof unitReadSchema>

/** What a control unit said of itself: its codes, its calibration, its pressure sensor. */
export const unitRead: EventKind<UnitRead> = {
  type: 'unit-read',
  schema: unitReadSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  refuse(state, { unit, when }) {
    if (!partsOf(state.vehicle, 'control-unit').some(({ id }) => id === unit)) return fact('no-such-unit')
    if (when === 'before') return undefined
    if (!(state.run && bleedDone(state))) return fact('not-bled')
    return when === 'driven' && !state.proofs['road-test']?.passed ? fact('not-driven') : undefined
  },
  complete(state, { voids: _sent, ...event }) {
    const wrong = event.when !== 'before' && readingWrong(state, event.unit, event.reading, event.when)
    const voids = wrong ? passedFrom(state, ({ units }) => units !== undefined) : []
    return { ...event, ...(voids.length > 0 && { voids }) }
  },
  apply(state, { unit, when, reading, at, by, voids = [] }) {
    const kept = { ...reading, at, ...(by && { by }) }
    return {
      ...state,
      proofs: withoutProofs(state.proofs, voids),
      units: { ...state.units, [unit]: { ...state.units?.[unit], [when]: kept } },
    }
  },
}

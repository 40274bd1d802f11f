import { z } from 'zod'
import { fact } from '../../base/decision'
import { partsOf } from '../../vehicle/parts'
import { passedFrom, withoutProofs } from '../proofs/voids'
import { mayNotPower, unitFittedSchema } from '../unit-ledger'
import type { EventKind } from './kind'
import { short, stamp } from './stamp'

export const unitFittedEventSchema = z.object({
  ...stamp,
  type: z.literal('unit-fitted'),
  unit: short,
  fitted: unitFittedSchema,
  /** What had been proved and says that the units are sound, or rests on that. Worked out where this says otherwise. */
  voids: z.array(short).max(100).optional(),
})
type UnitFittedEvent = z.output<typeof unitFittedEventSchema>

const withFitted = (state: Parameters<EventKind<UnitFittedEvent>['apply']>[0], event: UnitFittedEvent) => {
  const { unit, fitted, at, by } = event
  const kept = { ...fitted, at, ...(by && { by }) }
  return { ...state, units: { ...state.units, [unit]: { ...state.units?.[unit], fitted: kept } } }
}

/** A control unit that came in place of another: both numbers, where it comes from, its plug faces. */
export const unitFitted: EventKind<UnitFittedEvent> = {
  type: 'unit-fitted',
  schema: unitFittedEventSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  refuse(state, { unit }) {
    return partsOf(state.vehicle, 'control-unit').some(({ id }) => id === unit)
      ? undefined
      : fact('no-such-unit')
  },
  complete(state, { voids: _sent, ...event }) {
    const voids = mayNotPower(withFitted(state, event))
      ? passedFrom(state, ({ units }) => units !== undefined)
      : []
    return { ...event, ...(voids.length > 0 && { voids }) }
  },
  apply(state, event) {
    const next = withFitted(state, event)
    return { ...next, proofs: withoutProofs(next.proofs, event.voids ?? []) }
  },
}

import { z } from 'zod'
import { fact } from '../../base/decision'
import { vehicleSchema } from '../../vehicle/schema'
import { lookOwed } from '../points'
import { handsOn } from '../selectors'
import { jobTally } from '../tally'
import type { EventKind } from './kind'
import { note, short, stamp } from './stamp'

export const vehicleMovedSchema = z.object({
  ...stamp,
  type: z.literal('vehicle-moved'),
  from: z.object({ vehicleId: short, plate: short, name: short }),
  vehicleId: short,
  plate: short,
  vehicle: vehicleSchema,
  why: note.min(1, 'say how it came about'),
})

/** The wrong vehicle was picked: the job goes to the right one, is checked in there anew, and says where it stood. */
export const vehicleMoved: EventKind<z.output<typeof vehicleMovedSchema>> = {
  type: 'vehicle-moved',
  schema: vehicleMovedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'desk',
  undo: false,
  refuse({ run, vehicleId }, event) {
    if (event.vehicleId === vehicleId) return fact('same-vehicle')
    return run && (run.call !== 'rest' || lookOwed(run)) ? fact('move-under-way') : undefined
  },
  apply(state, event) {
    const left = {
      why: fact('wrong-vehicle-picked'),
      plate: state.plate,
      at: event.at,
      tally: jobTally({ run: state.run, earlier: [] }),
    }
    return {
      ...state,
      vehicle: event.vehicle,
      vehicleId: event.vehicleId,
      plate: event.plate,
      movedFrom: [...state.movedFrom, event.from],
      checkIn: undefined,
      planned: undefined,
      run: undefined,
      fromPaper: undefined,
      faultFinding: undefined,
      joints: undefined,
      placesLooked: undefined,
      failedProofs: undefined,
      units: undefined,
      pedal: undefined,
      sheets: undefined,
      declinedLines: undefined,
      proofs: {},
      earlier: handsOn(state) ? [...state.earlier, left] : state.earlier,
    }
  },
}

import { z } from 'zod'
import { fact } from '../../base/decision'
import { mendStep } from './parts'
import { Draft, mlField, type Trouble } from './trouble'

export const spillPlaces = ['floor', 'paint', 'pads'] as const

export const spilledSaid = z.object({
  what: z.literal('spilled'),
  ml: mlField,
  on: z.enum(spillPlaces, 'say on what'),
})

/** Spilled fluid is counted; what it touched decides what comes next. */
export const spilled: Trouble<typeof spilledSaid> = {
  schema: spilledSaid,
  decide(state, { ml, on }, id) {
    const draft = new Draft(state, id).do({ op: 'spilled', ml })
    if (on === 'paint') draft.do({ op: 'mend', steps: [mendStep(id, 'rinsed', 'paint-rinsed')] })
    if (on === 'pads')
      draft
        // Wetted after they were proved, they are proved again.
        .do({ op: 'proofs-void' })
        .do({ op: 'extra-check', check: 'pads-clean' })
        .do({ op: 'mend', steps: [mendStep(id, 'pads', 'pads-replaced')] })
    return {
      says: fact(`trouble-spilled-${on}`, { aboutMl: Math.round(ml) }),
      startAgain: [],
      changes: draft.changes,
    }
  },
}

import { z } from 'zod'
import { type Fact, fact } from '../../base/decision'
import { fluidSpecs, mayMix } from '../../fluid/specs'
import type { Step } from '../../technique/step'
import { partsOf, reservoirFact } from '../../vehicle/parts'
import { reservoirOfPoint } from '../points'
import { fluidIn } from '../selectors'
import { mendStep, namedPoints } from './parts'
import { callFirst, cannot, Draft, idField, type Trouble } from './trouble'

const emptied = (id: string, reservoir: string, name: Fact, spec: string): Step[] => [
  {
    ...mendStep(id, 'drawn', 'wrong-drawn', { reservoir: name }),
    asksMl: 'drawn',
    drawsTo: 'empty',
    reservoir,
  },
  mendStep(id, 'wiped', 'wrong-wiped'),
  {
    ...mendStep(id, 'refilled', 'wrong-refilled', { spec }),
    asksMl: 'poured',
    fillsToMax: true,
    reservoir,
  },
]

export const wrongFluidSaid = z.object({
  what: z.literal('wrong-fluid'),
  spec: z.enum([...fluidSpecs, 'unknown'], 'say what it was, or that it is not known'),
  reservoir: idField,
  /** Whether a pedal was pressed or a bleeder opened since. */
  moved: z.boolean('say whether anything moved since'),
})

/**
 * Wrong fluid poured. Still in the reservoir alone: emptied and wiped, nothing else is touched. Moved on by a pedal or
 * an open bleeder: every bleeder behind it starts again, and kinds that must not mix end the plan in a conversion.
 */
export const wrongFluid: Trouble<typeof wrongFluidSaid> = {
  schema: wrongFluidSaid,
  decide(state, { spec, reservoir, moved }, id) {
    const { vehicle, run } = state
    const wanted = fluidIn(state)
    if (!partsOf(vehicle, 'reservoir').some((each) => each.id === reservoir))
      return cannot('no-such-reservoir')
    if (spec === wanted) return cannot('right-fluid', { spec: wanted })
    const busy = callFirst(run)
    if (busy) return busy
    const what = spec === 'unknown' ? fact('fluid-of-unknown-kind') : fact('fluid-named', { spec })
    const name = reservoirFact(vehicle, reservoir)
    const steps = emptied(id, reservoir, name, wanted)
    const draft = new Draft(state, id)
    if (!moved) {
      draft.do({ op: 'mend', steps })
      return {
        says: fact('trouble-wrong-fluid-still', { what, reservoir: name }),
        startAgain: [],
        changes: draft.changes,
      }
    }
    const behind = [...new Set(run.stages.flatMap(({ points }) => points))].filter(
      (point) => reservoirOfPoint(vehicle, point) === reservoir,
    )
    if (spec !== 'unknown' && mayMix(spec, wanted)) {
      draft.do({ op: 'proofs-void' }).do({ op: 'start-again', points: behind }).do({ op: 'mend', steps })
      return {
        says: fact('trouble-wrong-fluid-mixes', {
          spec,
          wanted,
          points: namedPoints(vehicle, behind, 'every-bleeder'),
        }),
        startAgain: behind,
        changes: draft.changes,
      }
    }
    if (!state.checkIn) return cannot('not-checked-in')
    return {
      says: fact('trouble-wrong-fluid-conversion', { what, wanted }),
      startAgain: behind,
      changes: [{ op: 'conversion', fluidFound: spec, why: fact('was-poured', { what }) }],
    }
  },
}

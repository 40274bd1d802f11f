import { z } from 'zod'
import { fluidSpecs, mayMix } from '../../fluid/specs'
import type { Step } from '../../technique/step'
import { partsOf, reservoirName } from '../../vehicle/parts'
import { mendFirst, startAgain } from '../change'
import { reservoirOfPoint } from '../points'
import { jobTally } from '../tally'
import { atWheel, named } from './parts'
import { callFirst, cannot, idField, type Trouble } from './trouble'

const emptied = (id: string, reservoir: string, name: string, spec: string): Step[] => [
  {
    ...atWheel(
      `${id}-drawn`,
      `Draw ${name} empty. Nobody on the pedal, no bleeder open.`,
      'Into the waste for that kind, never back into a container.',
    ),
    asksMl: 'drawn',
    drawsTo: 'empty',
    reservoir,
  },
  atWheel(`${id}-wiped`, 'Wipe it clean with lint-free cloth.'),
  {
    ...atWheel(`${id}-refilled`, `Fill to MAX with new ${spec}; read the label aloud first.`),
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
  title: 'Wrong fluid poured',
  schema: wrongFluidSaid,
  happened(state, { spec, reservoir, moved }, id) {
    const { vehicle, run } = state
    const wanted = vehicle.fluid.spec
    if (!partsOf(vehicle, 'reservoir').some((each) => each.id === reservoir))
      return cannot('no-such-reservoir', 'This vehicle has no such reservoir.')
    if (spec === wanted) return cannot('right-fluid', `${wanted} is what this vehicle calls for.`)
    const busy = callFirst(run)
    if (busy) return busy
    const what = spec === 'unknown' ? 'Fluid of an unknown kind' : spec
    const name = reservoirName(vehicle, reservoir)
    const steps = emptied(id, reservoir, name, wanted)
    if (!moved)
      return {
        state: { ...state, run: mendFirst(run, id, steps) },
        text: `${what} was poured into ${name} and has not moved on: emptied, wiped and filled anew.`,
        startAgain: [],
      }
    const behind = [...new Set(run.stages.flatMap(({ points }) => points))].filter(
      (point) => reservoirOfPoint(vehicle, point) === reservoir,
    )
    if (spec !== 'unknown' && mayMix(spec, wanted)) {
      const again = startAgain(run, behind)
      return {
        state: { ...state, proofs: {}, run: mendFirst(again, id, steps) },
        text: `${spec} went into a ${wanted} system: a mixture is only as good as the weaker. Reservoir exchanged, then ${named(vehicle, behind) || 'every bleeder'} again.`,
        startAgain: behind,
      }
    }
    if (!state.checkIn) return cannot('not-checked-in', 'Check the vehicle in first.')
    const work = { ...state.checkIn.work, reason: 'conversion' as const, fluidFound: spec }
    const earlier = {
      why: `${what} was poured`,
      plate: state.plate,
      at: state.lastAt,
      tally: jobTally({ run, earlier: [] }),
    }
    return {
      state: {
        ...state,
        checkIn: { ...state.checkIn, work },
        planned: undefined,
        run: undefined,
        proofs: {},
        earlier: [...state.earlier, earlier],
      },
      text: `${what} and ${wanted} must never meet, and it has moved on. This plan is at an end: plan a conversion, ask the maker about the seals. Nobody presses the pedal until then.`,
      startAgain: behind,
    }
  },
}

import { z } from 'zod'
import { mendFirst, withLeakCheck } from '../change'
import { atWheel, named, pressureOff } from './parts'
import { reachOf } from './reach'
import { callFirst, cannot, idField, type Trouble } from './trouble'

export const leakingSaid = z.object({ what: z.literal('leaking'), line: idField })

/** A hose or a nut that weeps is mended, and whatever lies beyond it is bled anew. */
export const leaking: Trouble<typeof leakingSaid> = {
  title: 'Hose or nut leaking',
  schema: leakingSaid,
  happened(state, { line }, id) {
    if (!state.vehicle.lines.some((each) => each.id === line))
      return cannot('no-such-line', 'This vehicle has no such line.')
    const busy = callFirst(state.run)
    if (busy) return busy
    const reach = reachOf(state, { opened: [line] })
    const off = pressureOff(reach.run)
    const run = mendFirst(withLeakCheck(off.run), id, [
      ...off.steps,
      atWheel(
        `${id}-mended`,
        `Mend ${line}: tight to the maker’s torque, or replaced.`,
        'Pressure off, nobody on the pedal. Hollow bolts: new sealing washers.',
      ),
    ])
    const again = named(state.vehicle, reach.startAgain) || 'no bleeder'
    const text = `${line} leaks. The joint is opened to mend it, so what lies beyond it starts again: ${again}. A leak check comes before the proof.`
    return { state: { ...state, proofs: {}, run }, text, startAgain: reach.startAgain }
  },
}

import { z } from 'zod'
import { partsOf, reservoirName } from '../../vehicle/parts'
import { mendFirst } from '../change'
import { reservoirOfPoint } from '../points'
import { reachOf } from './reach'
import { callFirst, cannot, idField, type Trouble } from './trouble'

export const ranDrySaid = z.object({ what: z.literal('ran-dry'), reservoir: idField })

/** An empty reservoir lets the cylinder draw air: filled slowly, the cylinder first, then every bleeder it feeds. */
export const ranDry: Trouble<typeof ranDrySaid> = {
  title: 'Reservoir ran dry',
  schema: ranDrySaid,
  happened(state, { reservoir }, id) {
    const { vehicle } = state
    const known = partsOf(vehicle, 'reservoir').find((each) => each.id === reservoir)
    if (!known) return cannot('no-such-reservoir', 'This vehicle has no such reservoir.')
    const busy = callFirst(state.run)
    if (busy) return busy
    const name = reservoirName(vehicle, reservoir)
    const fed = (point: string) => reservoirOfPoint(vehicle, point) === reservoir
    const reach = reachOf(state, { ranDry: true }, fed)
    const run = mendFirst({ ...reach.run, levelMl: { ...reach.run.levelMl, [reservoir]: 0 } }, id, [
      {
        id: `${id}-filled`,
        text: `Fill ${name} slowly to MAX; let the air rise out of it.`,
        who: 'wheel',
        asksMl: 'poured',
        fillsToMax: true,
        reservoir,
      },
    ])
    const text = `${name.charAt(0).toUpperCase()}${name.slice(1)} ran dry, so its cylinder drew air: at the cylinder first, then every bleeder it feeds starts again. A unit that drew air too shows as a pedal that stays soft: its routine is needed then.`
    return { state: { ...state, proofs: {}, run }, text, startAgain: reach.startAgain }
  },
}

import { fact } from '../../base/decision'
import { flowLooksFor, heldAt, STILL, toldByLooks } from '../flow-looks'
import { looksAfterPull } from '../points'
import type { Watcher } from './watch'

const upTo = (...looks: string[]) => looks.map((each) => fact(`look-${each}`))

/**
 * The pedal goes down and next to nothing comes: a finding, never the end of a bleeder. What stands in the way is looked
 * for from the cylinder outwards; bubbles that do not move say that the cylinder draws nothing. @source common practice
 */
export const noFlow: Watcher = ({ state, stageRun, point, progress }) => {
  if ((progress.still ?? 0) < STILL || !looksAfterPull(stageRun.stage)) return undefined
  const times = progress.still ?? STILL
  if (progress.bubbles !== 'none')
    return {
      ...fact('draws-nothing', { point, times }),
      leads: 'air-never-ends',
      checks: upTo('level-and-ports', 'pushrod-play', 'thumb'),
    }
  const { vehicle, run } = state
  if (flowLooksFor(vehicle, point).length === 0)
    return {
      ...fact('no-flow', { point, times }),
      leads: 'no-flow-one',
      checks: upTo('level-and-ports', 'pushrod-play', 'thumb'),
    }
  const { flowLooked } = progress
  const held = heldAt(vehicle, point, flowLooked)
  return {
    ...fact(held ? `held-at-${held}` : 'no-flow', { point, times }),
    leads: 'no-flow-one',
    told: toldByLooks(run, vehicle, point, flowLooked),
    looksInTurn: true,
    checks: [],
  }
}

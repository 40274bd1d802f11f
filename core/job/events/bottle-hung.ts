import { z } from 'zod'
import { fact } from '../../base/decision'
import { bottlesAtOnce, hangable, hangBottle } from '../bottles'
import { pourFirst } from '../levels'
import { standsUp } from '../standing'
import { type EventKind, onRun, refuseOnRun } from './kind'
import { short, stamp } from './stamp'

export const bottleHungSchema = z.object({ ...stamp, type: z.literal('bottle-hung'), point: short })

/** Another bottle hung and its bleeder opened, while the others run on. */
export const bottleHung: EventKind<z.output<typeof bottleHungSchema>> = {
  type: 'bottle-hung',
  schema: bottleHungSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  needs: 'plate',
  refuse: refuseOnRun((state, { point }) => {
    if (standsUp(state, 'pressure')) return fact('pressure-on')
    const [open] = state.standing.open
    if (open) return fact('stands-open', { point: open.point })
    if (!hangable(state).includes(point))
      return fact('no-bottle-here', { point, most: Math.max(1, bottlesAtOnce(state)) })
    return pourFirst(state, point)
  }),
  apply: onRun((state, { point, at }) => hangBottle(state, point, at)),
}

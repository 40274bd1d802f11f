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
  refuse: refuseOnRun((state, { point }) =>
    standsUp(state, 'pressure')
      ? fact('pressure-on')
      : state.standing.open[0]
        ? fact('stands-open', { point: state.standing.open[0].point })
        : hangable(state).includes(point)
          ? pourFirst(state, point)
          : fact('no-bottle-here', { point, most: Math.max(1, bottlesAtOnce(state)) }),
  ),
  apply: onRun((state, { point, at }) => hangBottle(state, point, at)),
}

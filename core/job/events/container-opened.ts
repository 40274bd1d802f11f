import { z } from 'zod'
import { fact } from '../../base/decision'
import { mayMix } from '../../fluid/specs'
import { fluidIn, mayGoIn } from '../selectors'
import { containerSchema } from './container'
import { type EventKind, onRun } from './kind'
import { stamp } from './stamp'

export const containerOpenedSchema = z.object({
  ...stamp,
  type: z.literal('container-opened'),
  container: containerSchema,
})

/** A batch is written down; what must not go in is refused before it is poured. */
export const containerOpened: EventKind<z.output<typeof containerOpenedSchema>> = {
  type: 'container-opened',
  schema: containerOpenedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  needs: 'plate',
  refuse(state, { container }) {
    if (mayGoIn(state).includes(container.spec)) return undefined
    const spec = fluidIn(state)
    return fact('wrong-container', { spec, held: container.spec, mixes: mayMix(container.spec, spec) })
  },
  apply: onRun((state, { container }) => {
    // The same one again held more than the book said; another one gave what the last had not.
    const { code } = container
    const before = state.containers.flatMap(({ beyondMl: _said, ...each }) =>
      code !== undefined && each.code === code ? [] : each,
    )
    return { ...state, containers: [...before, container] }
  }),
}

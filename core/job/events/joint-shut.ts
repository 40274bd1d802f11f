import { z } from 'zod'
import { fact } from '../../base/decision'
import { advance } from '../advance'
import { airReaches, airSchema } from '../air-reaches'
import { openPoints } from '../points'
import { withShut } from '../standing'
import type { JobState } from '../state'
import { withAirAt } from '../with-air'
import { type EventKind, isRunning } from './kind'
import { short, stamp } from './stamp'

export const jointShutSchema = z.object({
  ...stamp,
  type: z.literal('joint-shut'),
  point: short,
  /** Air it may have let in: what that says, and which finished places it may have reached. Worked out when it was shut. */
  air: airSchema.optional(),
})
type JointShut = z.output<typeof jointShutSchema>

function complete(state: JobState, { air: _sent, ...event }: JointShut): JointShut {
  const joint = state.standing.open.find(({ point }) => point === event.point)
  // What a broken one let in was reckoned when it broke.
  if (!isRunning(state) || joint?.how !== 'named') return event
  return { ...event, air: airReaches(state, event.point, 'left-open') }
}

function apply(state: JobState, event: JointShut): JobState {
  const shut = { ...state, standing: withShut(state.standing, event.point) }
  if (!isRunning(shut)) return shut
  const aired = event.air ? withAirAt(shut, event, event.point, event.air) : shut
  return advance(aired, aired.run)
}

/** A joint that stood open outside any call is shut, by an act of its own. */
export const jointShut: EventKind<JointShut> = {
  type: 'joint-shut',
  schema: jointShutSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  refuse({ run, standing }, { point }) {
    // One that a call or a bottle has open is closed there.
    const inCall = run && openPoints(run).includes(point)
    if (inCall || !standing.open.some((each) => each.point === point)) return fact('not-open', { point })
    // What a pull brought belongs to its place: once this joint is shut the work may go on at another.
    return run?.lookDue && run.call === 'rest' ? fact('look-due') : undefined
  },
  complete,
  apply,
}

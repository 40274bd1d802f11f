import { z } from 'zod'
import { fact } from '../../base/decision'
import { type JointState, jointState, jointSteps, jointsOf, nextFor, notStarted } from '../joints'
import { passedFrom, withoutProofs } from '../proofs/voids'
import { bleedDone } from '../selectors'
import type { EventKind } from './kind'
import { short, stamp } from './stamp'

export const jointCheckedSchema = z.object({
  ...stamp,
  type: z.literal('joint-checked'),
  joint: short,
  is: z.enum([...jointSteps, 'wet']),
  /** What had been proved and says that it is dry, or rests on that. Worked out when it was wet. */
  voids: z.array(short).max(100).optional(),
})
type JointChecked = z.output<typeof jointCheckedSchema>

/** How one joint stands: started by hand, tight, dry, or wet, which begins it anew. */
export const jointChecked: EventKind<JointChecked> = {
  type: 'joint-checked',
  schema: jointCheckedSchema,
  version: 1,
  upcasts: [],
  madeAt: 'vehicle',
  undo: true,
  wentWrong: ({ is }) => is === 'wet',
  needs: 'plate',
  refuse(state, { joint, is }) {
    if (!jointsOf(state).some(({ id }) => id === joint)) return fact('joint-not-opened')
    const stands = jointState(state, joint)
    if (is === 'wet') return stands.tight ? undefined : fact('joint-not-tight')
    const waiting = notStarted(state)
    // One that is tightened before the others are started pulls them out of line.
    if (is === 'tight' && waiting.length > 0)
      return fact('joints-start-first', { joints: waiting.map(({ id }) => id) })
    if (nextFor(stands) !== is) return fact('joint-not-now')
    return is === 'dry-under-effort' && !bleedDone(state) ? fact('not-bled') : undefined
  },
  complete(state, { voids: _sent, ...event }) {
    const voids = event.is === 'wet' ? passedFrom(state, ({ joints }) => joints === true) : []
    return { ...event, ...(voids.length > 0 && { voids }) }
  },
  apply(state, { joint, is, voids = [] }) {
    const stands = jointState(state, joint)
    return {
      ...state,
      proofs: withoutProofs(state.proofs, voids),
      joints: { ...state.joints, [joint]: after(stands, is) },
    }
  },
}

function after(stands: JointState, is: JointChecked['is']): JointState {
  switch (is) {
    case 'started':
      return { ...stands, started: true }
    case 'tight':
      return { ...stands, tight: true }
    case 'dry-at-rest':
      return { ...stands, dryAtRest: true }
    case 'dry-under-effort':
      return { ...stands, dryUnderEffort: true }
    case 'wet':
      return { ...stands, tight: false, dryAtRest: false, dryUnderEffort: false, wet: stands.wet + 1 }
  }
}

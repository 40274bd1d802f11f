import type { Air } from './air-reaches'
import { countAgainAt, doubt, finishedPoints } from './change'
import type { Running } from './events/kind'
import type { Person } from './events/stamp'
import { proofsVoid } from './joints'

/** What let air in, as it was recorded. */
type Cause = { id: string; at: string; by?: Person }

/** Air was drawn in at a place: its count starts again, and finished places that it may have reached are doubtful. */
export function withAirAt(
  state: Running,
  { id, at, by }: Cause,
  point: string,
  { says, doubtful, drawnInMl }: Air,
): Running {
  const counted = countAgainAt(state.run, point, drawnInMl)
  const report = {
    eventId: id,
    at,
    by,
    what: 'air-drawn',
    says,
    startAgain: [point],
    doubtful: [...doubtful],
    stillValid: finishedPoints(state.run).filter((each) => each !== point && !doubtful.includes(each)),
  }
  return {
    ...state,
    // What was proved, was proved without it.
    ...proofsVoid(state),
    run: doubtful.length > 0 ? doubt(counted, doubtful) : counted,
    troubles: [...state.troubles, report],
  }
}

import { finishedPoints } from '~core/job/change'
import { openPoints } from '~core/job/points'
import { bleedDone, stationOf } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import { jobTally } from '~core/job/tally'

/** What must still be so when a later version opens the log: facts, never sentences. */
export function factsOf(state: JobState) {
  const { run, filed, parked, troubles, proofs, earlier } = state
  return {
    station: stationOf(state),
    ...(filed && { outcome: filed.outcome }),
    parked: parked !== undefined,
    tally: jobTally({ run, earlier }),
    ...(run && {
      bled: bleedDone(state),
      call: run.call,
      open: openPoints(run),
      finished: finishedPoints(run),
      pulls: Object.fromEntries(
        run.stages.map(({ at: points, stage }, i) => [
          `${i} ${stage.kind}`,
          Object.entries(points).map(([id, { pulls, ml }]) => [id, pulls, ml]),
        ]),
      ),
    }),
    troubles: troubles.map(({ what, startAgain }) => ({ what, startAgain })),
    proofs: Object.entries(proofs).map(([id, { passed }]) => [id, passed]),
  }
}

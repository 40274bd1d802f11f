import type { JobState, PointRun, RunState } from './state'

/**
 * Copies by name of the objects that every act makes anew. A spread of them takes ten times as long, and a long
 * job's thousands of events are gone through whenever a server or a screen meets it for the first time. The types
 * ask for every key, so that none added later is forgotten.
 */
type Every<T> = { [K in keyof Required<T>]: T[K] }

export const copyOfJob = (state: JobState): JobState =>
  ({
    vehicle: state.vehicle,
    vehicleId: state.vehicleId,
    plate: state.plate,
    openedAt: state.openedAt,
    lastAt: state.lastAt,
    people: state.people,
    comebackOf: state.comebackOf,
    movedFrom: state.movedFrom,
    checkIn: state.checkIn,
    tested: state.tested,
    planned: state.planned,
    run: state.run,
    fromPaper: state.fromPaper,
    faultFinding: state.faultFinding,
    sheets: state.sheets,
    declinedLines: state.declinedLines,
    joints: state.joints,
    turned: state.turned,
    offThings: state.offThings,
    placesLooked: state.placesLooked,
    failedProofs: state.failedProofs,
    units: state.units,
    pedal: state.pedal,
    earlier: state.earlier,
    proofs: state.proofs,
    extraChecks: state.extraChecks,
    containers: state.containers,
    troubles: state.troubles,
    standing: state.standing,
    bleedAgainWhy: state.bleedAgainWhy,
    parked: state.parked,
    parkings: state.parkings,
    filed: state.filed,
    addenda: state.addenda,
    undoable: state.undoable,
    length: state.length,
    late: state.late,
    sentFor: state.sentFor,
    callTurn: state.callTurn,
  }) satisfies Every<JobState>

export const copyOfRun = (run: RunState): RunState =>
  ({
    plateConfirmed: run.plateConfirmed,
    stageIndex: run.stageIndex,
    stages: run.stages,
    setup: run.setup,
    call: run.call,
    callAt: run.callAt,
    hung: run.hung,
    lookDue: run.lookDue,
    levelMl: run.levelMl,
    oldMl: run.oldMl,
    amounts: run.amounts,
    bottleMl: run.bottleMl,
    mends: run.mends,
    weighed: run.weighed,
    bottleOn: run.bottleOn,
    tankMl: run.tankMl,
    openedAt: run.openedAt,
    frontMl: run.frontMl,
    timers: run.timers,
  }) satisfies Every<RunState>

export const copyOfPoint = (point: PointRun): PointRun =>
  ({
    ready: point.ready,
    finished: point.finished,
    pulls: point.pulls,
    counted: point.counted,
    ml: point.ml,
    cleanStreak: point.cleanStreak,
    airDrawn: point.airDrawn,
    settled: point.settled,
    trouble: point.trouble,
    doubtful: point.doubtful,
    colour: point.colour,
    firstColour: point.firstColour,
    bubbles: point.bubbles,
    still: point.still,
    flowLooked: point.flowLooked,
    looks: point.looks,
    unseen: point.unseen,
    weighedMl: point.weighedMl,
    countedMl: point.countedMl,
    countedSeenMl: point.countedSeenMl,
    seenAt: point.seenAt,
    timedMl: point.timedMl,
    timedS: point.timedS,
    timedWith: point.timedWith,
  }) satisfies Every<PointRun>

/** The job with another run. */
export function withRun<S extends JobState>(state: S, run: RunState): S & { run: RunState } {
  const next = copyOfJob(state)
  next.run = run
  return next as S & { run: RunState }
}

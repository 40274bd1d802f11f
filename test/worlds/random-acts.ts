import type { Chance } from '~core/base/random'
import { fluidSpecs } from '~core/fluid/specs'
import { bubbleKinds, colours } from '~core/fluid/specs/colour'
import { carefulAct } from '~core/job/careful'
import { nextFlowLook } from '~core/job/flow-looks'
import { jointSteps, jointsOf } from '~core/job/joints'
import { offKinds, stillOff } from '~core/job/off-things'
import { currentPoint, currentStage } from '~core/job/points'
import { checksFor } from '~core/job/proofs/checks'
import type { JobState } from '~core/job/state'
import { routineStops } from '~core/job/troubles/routine-stopped'
import { codeStates } from '~core/job/unit-ledger'
import { callActs, callStates } from '~core/technique/calls'
import { standingIds } from '~core/technique/standing'
import { techniqueIds } from '~core/technique/technique'
import { partsOf } from '~core/vehicle/parts'
import type { Act } from './scripted-job'

/** Anything anybody might send: half of it sensible, the rest out of turn, out of date or out of bounds. */
export function randomAct(state: JobState, chance: Chance): Act {
  const { vehicle, run } = state
  const stageRun = run && currentStage(run)
  const points = run?.stages.flatMap((each) => each.points) ?? []
  const anyPoint = chance.of([...points, 'nobody'])
  const point = (run && currentPoint(run)) ?? anyPoint
  const reservoir = chance.of([...partsOf(vehicle, 'reservoir').map(({ id }) => id), 'nobody'])
  const ml = chance.of([0, 0.1, 7, 15, 33.3, 120, 20_000])
  const heldS = chance.of([undefined, 0, 29.9, 30, 300])
  const anyUnit = chance.of([...partsOf(vehicle, 'control-unit').map(({ id }) => id), 'nobody'])
  const yes = chance.yes(0.5)
  const careful = carefulAct(state)
  if (careful && chance.yes(0.5)) return careful
  const acts: (() => Act)[] = [
    () => ({ type: 'undone', event: state.undoable.at(-1)?.eventId ?? 'nobody' }),
    () => ({ type: 'undone', event: state.undoable[0]?.eventId ?? 'nobody' }),
    () => ({
      type: 'call',
      act: chance.of(callActs),
      seen: chance.yes(0.8)
        ? {
            point,
            call: run?.call ?? 'rest',
            pulls: stageRun?.at[point]?.pulls ?? 0,
            turn: chance.yes(0.95) ? (state.callTurn ?? 0) : chance.of([undefined, 0, 3]),
          }
        : { point: anyPoint, call: chance.of(callStates), pulls: chance.below(4) },
    }),
    () => ({ type: 'pull-seen', ml, colour: chance.of(colours), bubbles: chance.of(bubbleKinds) }),
    () => ({
      type: 'flow-looked',
      point: chance.of([point, anyPoint]),
      look: nextFlowLook(vehicle, point, stageRun?.at[point]?.flowLooked)?.id ?? 'port',
      is: chance.of(['comes', 'nothing', 'drags', 'odd']),
      ...(yes && { ml }),
    }),
    () => ({ type: 'point-ready', point: anyPoint }),
    () => ({ type: 'point-finished', point: anyPoint }),
    () => ({ type: 'topped-up', reservoir, ml }),
    () => ({ type: 'level-read', reservoir, ml }),
    () => ({ type: 'drawn-again', reservoir }),
    () => ({ type: 'put-away', thing: chance.of(standingIds) }),
    () => ({ type: 'joint-shut', point: anyPoint }),
    () => ({
      type: 'joint-checked',
      joint: chance.of([...jointsOf(state).map(({ id }) => id), 'nobody']),
      is: chance.of([...jointSteps, 'wet']),
    }),
    () => ({
      type: 'taken-off',
      thing: chance.of([...offKinds, 'roof']),
      where: 'rear left',
      ...(chance.yes(0.5) && { capped: true }),
    }),
    () => ({ type: 'put-back', off: stillOff(state)[0]?.id ?? 'nobody' }),
    () => ({ type: 'tank-read', ml }),
    () => ({
      type: 'unit-read',
      unit: anyUnit,
      when: chance.of(['before', 'after']),
      reading: {
        from: 'aloud',
        codes: chance.yes(0.3) ? [{ code: 'C 101', says: '', is: chance.of(codeStates) }] : [],
        calibration: 'done',
        restKPa: chance.of([0, 400]),
        pressedKPa: 5000,
      },
    }),
    () => ({
      type: 'unit-fitted',
      unit: anyUnit,
      fitted: {
        oldNumber: 'CU 1',
        newNumber: chance.of(['cu-1', 'CU 2']),
        origin: chance.of(['new', 'used', 'repaired']),
        faces: chance.of(['clean', 'damaged']),
      },
    }),
    () => ({ type: 'bottle-weighed', ml, weighings: run?.weighed?.times ?? 0 }),
    () => ({ type: 'bottle-emptied' }),
    () => ({ type: 'bottle-hung', point: anyPoint }),
    () => ({ type: 'bottle-watched', point: anyPoint }),
    () => ({ type: 'timer-started', timer: 'press-hard' }),
    () => ({ type: 'step-done', step: chance.of(['draw', 'fill', 'stands', 'lid']), ml, heldS }),
    () => ({ type: 'container-opened', container: { spec: chance.of(fluidSpecs), batch: 'B1' } }),
    () => ({
      type: 'trouble',
      trouble: { what: chance.of(['seized', 'snapped', 'stripped']), point: anyPoint },
    }),
    () => ({ type: 'trouble', trouble: { what: 'routine-stopped', why: chance.of(routineStops) } }),
    () => ({ type: 'trouble', trouble: { what: 'leaking', line: chance.of(vehicle.lines).id ?? 'nobody' } }),
    () => ({ type: 'trouble', trouble: { what: 'ran-dry', reservoir } }),
    () => ({ type: 'trouble', trouble: { what: 'spilled', ml, on: chance.of(['floor', 'paint', 'pads']) } }),
    () => ({
      type: 'trouble',
      trouble: { what: 'wrong-fluid', spec: chance.of([...fluidSpecs, 'unknown']), reservoir, moved: yes },
    }),
    () => ({
      type: 'way-changed',
      technique: chance.of(techniqueIds),
      alone: yes,
      why: 'random',
    }),
    () => ({
      type: 'parked',
      why: 'phone',
      standsOpen: yes ? [point] : [],
      machineOn: chance.yes(0.5),
      pedalPropped: chance.yes(0.5),
      ...(chance.yes(0.2) && { leverTied: true }),
      note: '',
    }),
    () => ({ type: 'resumed', asLeft: yes, pedalCameUp: chance.yes(0.5), found: yes ? '' : 'level lower' }),
    () => ({
      type: 'check-proved',
      check: chance.of(checksFor(state)).id,
      passed: yes,
      heldS,
      value: chance.of([undefined, 0, 4]),
      note: '',
    }),
    () => ({
      type: 'place-looked',
      check: chance.of(['wheels-free', 'wheel-nuts', 'level']),
      place: chance.of([...partsOf(vehicle, 'wheel-brake').map(({ id }) => id), 'nowhere']),
      is: chance.of(['good', 'stays-on', 'no-hold', 'odd']),
    }),
    () => ({ type: 'bleed-again', why: 'soft' }),
  ]
  return chance.of(acts)()
}

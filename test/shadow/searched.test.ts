import { expect, test } from 'vitest'
import { applyEvent } from '~core/job/apply'
import { carefulAct } from '~core/job/careful'
import type { JobEvent } from '~core/job/events'
import { callNow, openPoints } from '~core/job/points'
import { allOpen } from '~core/job/standing'
import type { JobState } from '~core/job/state'
import { currentStep } from '~core/job/steps'
import { type CallAct, callActs } from '~core/technique/calls'
import { type Act, ScriptedJob } from '../worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '../worlds/vehicles'
import { breach, disagreement } from './breaches'
import { newShadow, type Shadow, writeDown } from './shadow'

const vehicle = vehicleFrom(carFile(fourCorners.slice(2)))
const points = ['rl', 'rr']
const yesNo = [true, false]
const AT = '2026-05-04T08:00:00.000Z'

/** Every kind of act that could be sent now, sensible or not; amounts are of no interest here. */
function* everyAct(state: JobState): Generator<Act> {
  const { run, undoable, standing, parkings } = state
  if (!run) return
  const last = undoable.at(-1)
  if (last) yield { type: 'undone', event: last.eventId }
  for (const act of callActs as readonly CallAct[]) yield callNow(run, act, state.callTurn ?? 0)
  yield { type: 'pull-seen', ml: 9, colour: 'new', bubbles: 'none' }
  const step = currentStep({ run, standing: state.standing })
  if (step?.away) yield { type: 'put-away', thing: step.away }
  else if (step)
    yield { type: 'step-done', step: step.step.id, heldS: step.step.holdS, ml: step.step.asksMl && 50 }
  yield { type: 'level-read', reservoir: 'res', ml: 390 }
  for (const point of points) {
    yield { type: 'point-ready', point }
    yield { type: 'joint-shut', point }
    // One breaks, once: another would be the same again.
    if (standing.broken.length === 0 && run.mends.length === 0)
      yield { type: 'trouble', trouble: { what: 'stripped', point } }
    yield { type: 'bottle-hung', point }
    yield { type: 'bottle-watched', point }
  }
  const open = allOpen(state)
  if (parkings.length > 0) return
  for (const standsOpen of [open, [...new Set([...open, 'rr'])]])
    for (const machineOn of yesNo)
      for (const pedalPropped of yesNo)
        yield { type: 'parked', why: 'phone', standsOpen, machineOn, pedalPropped, note: '' }
  for (const pedalCameUp of yesNo)
    for (const machineEmpty of yesNo)
      yield { type: 'resumed', asLeft: false, found: 'x', pedalCameUp, machineEmpty }
}

/** A state apart from every counter. */
function keyOf({ run, standing, parked, parkings }: JobState, shadow: Shadow): string {
  const stage = run?.stages[run.stageIndex]
  return JSON.stringify([
    run && [
      run.stageIndex,
      run.call,
      run.callAt,
      run.lookDue,
      run.hung?.map(({ point }) => point),
      run.bottleOn,
    ],
    run && openPoints(run),
    run?.mends.map(({ stepsDone }) => stepsDone.length),
    stage && [stage.stepsDone.length, stage.points.map((id) => [stage.at[id]?.ready, stage.at[id]?.trouble])],
    [
      [...standing.up].sort(),
      [...standing.open].map(({ point, how }) => point + how).sort(),
      standing.broken,
    ],
    [parked !== undefined, parkings.length],
    [[...shadow.open].sort(), [...shadow.up].sort(), shadow.broken],
  ])
}

/** What a state is gone on from: with the ledger kept beside it, as it was before each act that can be taken back. */
type World = { state: JobState; shadow: Shadow; behind: ReadonlyMap<string, Shadow> }

/** A job stands at its first place with the hose on. */
function start(method: string): World {
  const job = ScriptedJob.planned(vehicle, { reason: 'service' }, [method], 400)
  job.until(({ run, state }) => {
    const stage = run.stages[run.stageIndex]
    return stage?.stage.kind === 'bleed' && !currentStep({ run, standing: state.standing })
  })
  const shadow = job.events.reduce(writeDown, newShadow())
  return { state: { ...job.state, undoable: [] }, shadow, behind: new Map() }
}

/** What whoever stands there does next: goes on with care, or takes up what was parked. */
function wayOn(state: JobState): string {
  const act = state.parked
    ? ({ type: 'resumed', asLeft: true, found: '', pedalCameUp: false } as const)
    : carefulAct(state)
  if (!act) return 'none'
  const applied = applyEvent(state, { ...act, id: 'the-way-on-from-here', at: AT } as JobEvent)
  return applied.ok ? 'taken' : `${act.type}: ${applied.refusal.code}`
}

const MOST = 60_000

test.each(['two-person', 'pressure', 'vacuum', 'gravity', 'solo'])(
  '%s: in every state that acts, mishaps, parking, taking up and taking back lead to, the job says what was written down beside it',
  (method) => {
    const first = start(method)
    const seen = new Set([keyOf(first.state, first.shadow)])
    const left = [first]
    let acts = 0
    for (let world = left.shift(); world; world = left.shift()) {
      const on = wayOn(world.state)
      expect(on, `a way on from ${keyOf(world.state, world.shadow)}`).toBe('taken')
      for (const act of everyAct(world.state)) {
        const id = `searched-${String(acts++).padStart(12, '0')}`
        const event = { ...act, id, at: AT } as JobEvent
        const applied = applyEvent(world.state, event)
        if (!applied.ok) continue
        const wrong = breach(world.shadow, applied.event, world.state)
        expect(wrong, `${act.type} from ${keyOf(world.state, world.shadow)}`).toBeUndefined()
        const shadow =
          event.type === 'undone'
            ? (world.behind.get(event.event) ?? world.shadow)
            : writeDown(world.shadow, applied.event)
        const differs = disagreement(shadow, applied.state)
        expect(differs, `${act.type} from ${keyOf(world.state, world.shadow)}`).toBeUndefined()
        const key = keyOf(applied.state, shadow)
        // What lies behind this stage is another one's search.
        if (seen.has(key) || applied.state.run?.stageIndex !== first.state.run?.stageIndex) continue
        seen.add(key)
        left.push({ state: applied.state, shadow, behind: new Map([...world.behind, [id, world.shadow]]) })
      }
      if (seen.size > MOST) break
    }
    console.log(`${method}: ${seen.size} states apart from counters, ${acts} acts tried`)
    expect(left, 'every state was gone on from').toHaveLength(0)
  },
)

import { describe, expect, test } from 'vitest'
import { runMarks } from '~/components/order-marks'
import { randomAct } from '~test/worlds/random-acts'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { Chance } from '../base/random'
import { techniqueOf } from '../technique'
import { currentPoint, openPoints } from './points'
import { planNow, stagesNow } from './selectors'
import type { JobState } from './state'

const vehicle = vehicleFrom(carFile(fourCorners))
const at = (work: object, methods: string[]) => ScriptedJob.planned(vehicle, work, methods, 300)
const readyAtBleed = (job: ScriptedJob) =>
  job.until(({ run }) => {
    const stage = run.stages[run.stageIndex]
    return stage?.stage.kind === 'bleed' && Object.values(stage.at).some(({ ready }) => ready)
  })

/** What map, card, export and record would say against what the bay does. */
function drifts(state: JobState): string[] {
  const { run, planned } = state
  const plan = planNow(state)
  if (!run || !planned || !plan) return []
  const found: string[] = []
  if (
    JSON.stringify(stagesNow(state).map(({ points }) => points)) !==
    JSON.stringify(run.stages.map(({ points }) => points))
  )
    found.push('the places of a stage are not the bay’s')
  for (const [i, stage] of plan.stages.entries()) {
    const bay = run.stages[i]?.stage
    if (stage.method !== bay?.method || stage.technique !== bay?.technique)
      found.push(`stage ${i} is ${stage.technique} on the card and ${bay?.technique} in the bay`)
    for (const code of stage.reasons)
      if (!plan.reasons.some((reason) => reason.code === code)) found.push(`nothing says why: ${code}`)
  }
  const now = plan.stages.slice(run.stageIndex).find(({ kind, technique }) => kind === 'bleed' && technique)
  const settings = now?.technique && techniqueOf(now.technique).makerStates
  if (settings?.some((setting) => plan[setting] === undefined))
    found.push(`${now?.technique} without its setting`)
  const byMachine = plan.stages.some(
    ({ technique }) => technique !== undefined && techniqueOf(technique).drives === 'machine',
  )
  // By foot only a machine's look at fresh joints has a pressure, and the bleed is told none.
  if (
    now?.technique &&
    techniqueOf(now.technique).drives === 'foot' &&
    plan.pressureKPa !== undefined &&
    !byMachine
  )
    found.push('a pressure that nothing sets')
  if (byMachine && plan.pressureKPa === undefined) found.push('a machine without its pressure')
  const marks = new Map(runMarks(state).map(({ id, state: mark }) => [id, mark]))
  const bleeders = new Set(run.stages.flatMap(({ stage }) => stage.order))
  for (const point of openPoints(run))
    if (bleeders.has(point) && marks.get(point) !== 'open')
      found.push(`${point} is open and the map does not say so`)
  const point = currentPoint(run)
  if (point !== undefined && bleeders.has(point) && !marks.has(point))
    found.push(`${point} is under work and not on the map`)
  return found
}

describe('a job has one plan that is being done (each was seen to drift)', () => {
  test('on from two people by the machine: card, export and record say the machine, its pressure and why', () => {
    const job = readyAtBleed(at({ reason: 'service' }, ['two-person', 'pressure']))
    const taken = job.state.planned?.plan
    const by = job.run.stages[job.run.stageIndex]?.stage.technique
    const technique = by === 'pressure' ? 'pump-and-hold' : 'pressure'
    job.do({ type: 'way-changed', technique, alone: false, why: 'the pump broke' })
    const plan = planNow(job.state)
    expect(plan?.stages.find(({ kind }) => kind === 'bleed')?.technique).toBe(technique)
    expect(plan?.pressureKPa !== undefined).toBe(technique === 'pressure')
    expect(plan?.reasons.some(({ code }) => code === 'pressure-setting')).toBe(technique === 'pressure')
    expect(drifts(job.state)).toEqual([])
    // What was taken is what was taken.
    expect(job.state.planned?.plan).toBe(taken)
  })

  test('a leak at one wheel in mid-repair of another: the bleeder that is open is marked on the map', () => {
    const job = readyAtBleed(at({ reason: 'repair', opened: ['brake-fl'] }, ['two-person']))
    job.trouble({ what: 'leaking', line: 'line-fr' })
    job.until(({ run }) => openPoints(run).includes('fr'))
    expect(runMarks(job.state).find(({ id }) => id === 'fr')?.state).toBe('open')
    expect(drifts(job.state)).toEqual([])
  })
})

test('after every way out and every change of way, map, card, export, record and bay say the same: 6 000 random acts', () => {
  const chance = new Chance(1313)
  let changed = 0
  for (let n = 0; n < 60; n++) {
    const job = at({ reason: chance.of(['service', 'repair']), opened: ['brake-fl'] }, [
      'two-person',
      'pressure',
      'vacuum',
      'gravity',
      'solo',
    ])
    const taken = job.state.planned?.plan
    for (let i = 0; i < 100; i++) {
      const act = randomAct(job.state, chance)
      if (act.type === 'parked' || job.refusal(act) !== undefined) continue
      job.do(act)
      if (act.type === 'trouble' || act.type === 'way-changed') changed++
      const { planned } = job.state
      if (planned && planned.plan !== taken) throw new Error(`${act.type} changed the plan that was taken`)
      const found = drifts(job.state)
      if (found.length > 0) throw new Error(`job ${n}, ${JSON.stringify(act)}: ${found.join('; ')}`)
    }
  }
  expect(changed).toBeGreaterThan(200)
})

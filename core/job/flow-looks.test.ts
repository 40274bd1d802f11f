import { describe, expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { vehicleFrom } from '~test/worlds/vehicles'
import { caseFaults } from '../diagnosis/request'
import { examples } from '../vehicle/examples'
import { partsOf } from '../vehicle/parts'
import { faultCase } from './fault-case'
import { findings } from './findings'
import { flowLooks, flowLooksFor, heldAt, lightStrokesMl, nextFlowLook } from './flow-looks'
import { jointsOf, notDry } from './joints'

const nothing = { type: 'pull-seen', ml: 0, colour: 'brown', bubbles: 'none' } as const
const van = demoVehicle('post-van-lhd')

/** A wheel where two pulls brought nothing, by two people. */
function stopped(): ScriptedJob {
  const job = ScriptedJob.planned(van, { reason: 'service' }, ['two-person'], 380)
  for (let n = 0; n < 2; n++) {
    job.until(
      ({ run }) => run.lookDue && run.call === 'rest' && run.stages[run.stageIndex]?.stage.kind === 'bleed',
    )
    job.do(nothing)
  }
  return job
}
const look = (id: string, is: string, ml?: number) =>
  ({ type: 'flow-looked', point: 'RR', look: id, is, ...(ml !== undefined && { ml }) }) as const
const said = (job: ScriptedJob) => findings(job.state)[0]

describe('where fluid stops that does not come (common practice)', () => {
  test('looks come in turn from the cylinder outwards, and not before two pulls brought nothing', () => {
    const job = ScriptedJob.planned(van, { reason: 'service' }, ['two-person'], 380)
    job.until(
      ({ run }) => run.lookDue && run.call === 'rest' && run.stages[run.stageIndex]?.stage.kind === 'bleed',
    )
    job.do(nothing)
    expect(job.refusal(look('port', 'comes'))).toBe('flow-look-not-now')
    const twice = stopped()
    expect(twice.refusal(look('return', 'frees'))).toBe('flow-look-in-turn')
    expect(twice.refusal(look('port', 'green'))).toBe('flow-look-in-turn')
    twice.do(look('port', 'comes'))
    expect(said(twice)?.code).toBe('no-flow')
  })

  test('none while the bleeder stands open or the pedal is held', () => {
    const job = stopped().until(({ run }) => run.call !== 'rest')
    expect(job.refusal(look('port', 'comes'))).toBe('flow-look-not-now')
  })

  test('each result that holds it ends the search, and is said', () => {
    const unit = vehicleFrom(examples['parcel-van']?.file)
    const [brake] = partsOf(unit, 'wheel-brake')
    const point = brake?.bleeders[0]?.id ?? ''
    for (const { id, held } of flowLooks)
      for (const [is, at] of Object.entries(held)) {
        expect(heldAt(unit, point, { [id]: is })).toBe(at)
        expect(nextFlowLook(unit, point, { [id]: is })).toBeUndefined()
      }
    const all = {
      port: 'comes',
      unit: 'comes',
      'bleeder-out': 'nothing',
      'three-closed': 'weak',
      return: 'frees',
    }
    expect(heldAt(unit, point, all)).toBe('between')
  })

  test('a nut that was cracked for it is a joint that is wanted tight, and dry twice', () => {
    const job = stopped().do(look('port', 'nothing'))
    expect(said(job)?.code).toBe('held-at-cylinder')
    const [joint] = jointsOf(job.state)
    expect(joint?.id).toMatch(/ at /)
    expect(notDry(job.state)).toEqual([joint])
    job.do({ type: 'joint-checked', joint: joint?.id ?? '', is: 'tight' })
    job.do({ type: 'undone', event: job.state.undoable.at(-1)?.eventId ?? '' })
    job.do({ type: 'undone', event: job.state.undoable.at(-1)?.eventId ?? '' })
    expect(jointsOf(job.state)).toEqual([])
    expect(said(job)?.code).toBe('no-flow')
  })

  test('counted strokes are judged by what they brought, whatever was sent, and count as fluid that left', () => {
    const job = stopped()
    for (const next of ['port', 'unit'])
      if (nextFlowLook(van, 'RR', job.point('RR')?.flowLooked)?.id === next) job.do(look(next, 'comes'))
    job.do(look('bleeder-out', 'nothing'))
    expect(job.refusal(look('three-closed', 'comes'))).toBe('flow-look-amount')
    const [before] = Object.values(job.run.levelMl)
    const shouldMl = lightStrokesMl(van, 'RR') ?? 0
    job.do(look('three-closed', 'comes', shouldMl / 5))
    expect(job.point('RR')?.flowLooked?.['three-closed']).toBe('weak')
    expect(Object.values(job.run.levelMl)[0]).toBeCloseTo((before ?? 0) - shouldMl / 5)
    job.do(look('return', 'drags'))
    expect(said(job)?.code).toBe('held-at-hose')
  })

  test('where a pump and no stroke drives the fluid, strokes are not asked for: nothing could judge them', () => {
    const byWire = vehicleFrom(examples['hybrid-taxi']?.file)
    const bleeders = partsOf(byWire, 'wheel-brake').flatMap((part) => part.bleeders.map(({ id }) => id))
    const fed = bleeders.filter((id) => lightStrokesMl(byWire, id) === undefined)
    expect(fed.length).toBeGreaterThan(0)
    for (const id of fed)
      expect(flowLooksFor(byWire, id).map((look) => look.id)).not.toContain('three-closed')
  })

  test('what was found goes to the fault finder, which takes it: a wheel that does not free itself makes its hose the likeliest', () => {
    const job = stopped().do(look('port', 'comes'))
    if (nextFlowLook(van, 'RR', job.point('RR')?.flowLooked)?.id === 'unit') job.do(look('unit', 'comes'))
    job
      .do(look('bleeder-out', 'nothing'))
      .do(look('three-closed', '', 0))
      .do(look('return', 'drags'))
    const found = [...(said(job)?.told ?? [])]
    expect(found.map(({ check }) => check)).toEqual(['bleeder-out', 'return'])
    expect(caseFaults(faultCase(job.state, { complaint: 'no-flow-one', found, tried: [] }))).toEqual([])
  })

  test('once fluid moves again the looks are gone, and what was cracked stays named', () => {
    const job = stopped().do(look('port', 'comes'))
    job.until(({ run }) => run.lookDue && run.call === 'rest')
    job.do({ ...nothing, ml: 7 })
    expect(job.point('RR')?.flowLooked).toBeUndefined()
    expect(notDry(job.state)).toHaveLength(1)
  })
})

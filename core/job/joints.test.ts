import { describe, expect, test } from 'vitest'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import { filingRefusal } from './filing'
import { jointsAt, jointsOf, notDry } from './joints'
import { stillOff } from './off-things'

const car = vehicleFrom(carFile(fourCorners))
const planned = (work: object) =>
  ScriptedJob.planned(car, { reason: 'repair', ...work }, ['two-person', 'ports', 'bench'], 300)
const idsOf = (work: object) => jointsOf(planned(work).state).map(({ id }) => id)
const joint = (id: string, is: 'started' | 'tight' | 'dry-at-rest' | 'dry-under-effort' | 'wet') =>
  ({ type: 'joint-checked', joint: id, is }) as const
const proof = (check: string, more: object = {}) =>
  ({ type: 'check-proved', check, passed: true, note: '', ...more }) as const
const rr = 'line-rr at brake-rr'

describe('joints (common practice)', () => {
  test('both ends of a line, the end at a brake, every line at a cylinder: each once; nothing where nothing was opened', () => {
    expect(idsOf({ opened: ['line-rr'] })).toEqual(['line-rr at mc-B', rr])
    expect(idsOf({ replaced: ['brake-rr'] })).toEqual([rr])
    expect(idsOf({ replaced: ['mc'] })).toHaveLength(4)
    expect(idsOf({ opened: ['line-rr', 'brake-rr'] })).toHaveLength(2)
    expect(jointsOf(ScriptedJob.planned(car, { reason: 'service' }, ['two-person'], 300).state)).toEqual([])
  })
  test('a line that leaked is mended, and both its ends are joints from then on: tight and dry anew', () => {
    const job = ScriptedJob.planned(car, { reason: 'service' }, ['two-person'], 300)
    job.until(({ run }) => run.plateConfirmed)
    job.trouble({ what: 'leaking', line: 'line-rr' })
    expect(jointsOf(job.state).map(({ id }) => id)).toEqual(['line-rr at mc-B', rr])
    expect(job.refusal(joint(rr, 'dry-at-rest'))).toBe('joint-not-now')
    job.do(joint(rr, 'tight')).do(joint(rr, 'dry-at-rest'))
    expect(notDry(job.state)).toHaveLength(2)
  })
  test('all are started by hand before any is tightened, and none is looked at before it is tight', () => {
    const job = planned({ opened: ['line-rr'] })
    expect(job.refusal(joint(rr, 'dry-at-rest'))).toBe('joint-not-now')
    job.do(joint(rr, 'started'))
    expect(job.refusal(joint(rr, 'tight'))).toBe('joints-start-first')
    job.do(joint('line-rr at mc-B', 'started')).do(joint(rr, 'tight')).do(joint(rr, 'dry-at-rest'))
    expect(job.refusal(joint(rr, 'dry-under-effort'))).toBe('not-bled')
    expect(job.refusal(joint('line-fl at brake-fl', 'started'))).toBe('joint-not-opened')
  })
  test('wet once: it is begun anew, and nobody says that all are dry before it was dry twice', () => {
    const job = planned({ replaced: ['brake-rr'] })
      .bledToTheEnd()
      .proved('joints-dry')
    expect(notDry(job.state)).toEqual([])
    job.do(joint(rr, 'wet'))
    expect(job.state.joints?.[rr]).toMatchObject({ tight: false, dryAtRest: false, wet: 1 })
    expect(job.refusal(proof('joints-dry'))).toBe('joints-not-dry')
    job.do(joint(rr, 'tight')).do(joint(rr, 'dry-at-rest'))
    expect(job.refusal(proof('joints-dry'))).toBe('joints-not-dry')
    job.do(joint(rr, 'dry-under-effort'))
    expect(job.refusal(proof('joints-dry'))).toBeUndefined()
    expect(job.replayed().joints).toEqual(job.state.joints)
    job.undo()
    expect(job.refusal(proof('joints-dry'))).toBe('joints-not-dry')
  })
})

describe('what is no longer so is not proved', () => {
  const proved = () =>
    planned({ replaced: ['brake-rr'] })
      .bledToTheEnd()
      .proved()
  const passed = (job: ScriptedJob) => Object.keys(job.state.proofs)
  test('a joint found wet after its proof takes that proof back, and all that was proved after it', () => {
    const job = proved().do(joint(rr, 'wet'))
    expect(passed(job)).not.toContain('joints-dry')
    expect(passed(job)).not.toContain('road-test')
    expect(passed(job)).toContain('hold-firm')
    expect(filingRefusal(job.state, 'fit')?.code).toBe('fit-not-proved')
    expect(job.replayed().proofs).toEqual(job.state.proofs)
  })
  test('a sensor taken off once more is not closed up any more, and nothing was driven with it off', () => {
    const job = proved().do({ type: 'taken-off', thing: 'sensor', where: '' })
    expect(passed(job)).toContain('level')
    for (const id of ['closed-up', 'low-speed', 'road-test']) expect(passed(job)).not.toContain(id)
  })
  test('bled again, every joint is looked at under effort anew', () => {
    const job = proved().do({ type: 'bleed-again', why: 'soft' })
    expect(job.state.joints?.[rr]).toMatchObject({ tight: true, dryAtRest: true, dryUnderEffort: false })
  })
})

describe('off and on', () => {
  const off = (thing: string, where = '') => ({ type: 'taken-off', thing, where }) as const
  const back = (job: ScriptedJob) => ({ type: 'put-back', off: stillOff(job.state)[0]?.id ?? '' }) as const
  test('the last off is the first on; a sensor left off is never closed up, and never leaves as fit', () => {
    const job = planned({ replaced: ['brake-rr'] })
      .do(off('sensor', 'rear right'))
      .do(off('bracket'))
    expect(stillOff(job.state).map(({ thing }) => thing)).toEqual(['bracket', 'sensor'])
    job.bledToTheEnd().do(proof('level')).do(back(job))
    expect(job.refusal(proof('closed-up'))).toBe('still-off')
    job.do(back(job)).do(proof('closed-up'))
    expect(job.refusal(back(job))).toBe('not-off')
  })
  test('battery and trim wait until the joints are proved dry, and are back before it leaves', () => {
    const job = planned({ replaced: ['brake-rr'] })
      .do(off('battery'))
      .bledToTheEnd()
    expect(job.refusal(back(job))).toBe('off-waits')
    job.proved()
    expect(filingRefusal(job.state, 'fit')?.code).toBe('still-off')
    job.do(back(job))
    expect(filingRefusal(job.state, 'fit')).toBeUndefined()
  })
})

test('pointed at on the map: a line has its two ends, a cylinder those of all its lines, a wheel its own', () => {
  const job = planned({ opened: ['brake-rr'], replaced: ['mc'] }).state
  const [line] = jointsOf(job).filter(({ at }) => at === 'brake-rr')
  expect(jointsAt(job, 'brake-rr').map(({ at }) => at)).toEqual(['brake-rr'])
  const whole = planned({ opened: [line?.line ?? ''] }).state
  expect(jointsAt(whole, line?.line ?? '')).toHaveLength(2)
  expect(jointsAt(job, 'mc').length).toBeGreaterThan(1)
  expect(jointsAt(job, 'nowhere')).toEqual([])
})

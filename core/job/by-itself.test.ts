import { describe, expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { type Act, ScriptedJob } from '~test/worlds/scripted-job'
import { followsByItself } from './by-itself'
import { carefulAct } from './careful'
import { callNow } from './points'

const routine = () =>
  ScriptedJob.planned(demoVehicle('post-van-lhd'), { reason: 'service' }, ['two-person'], 380)
/** A pull that was looked at, and after which nothing is to be done but the next. */
const looked = () => routine().until(({ run }) => run.lookDue && run.call === 'rest')
const look: Act = { type: 'pull-seen', ml: 8, colour: 'brown', bubbles: 'none' }

/** What follows by itself from one act. */
function followsAfter(job: ScriptedJob, act: Act) {
  const before = job.state
  return followsByItself(before, job.do(act).state)?.act
}

describe('the next press', () => {
  test('follows by itself at every pull but one or two of a whole bleed, and only where it is what comes next', () => {
    const job = routine()
    let [presses, byItself] = [0, 0]
    for (let act = carefulAct(job.state); act; act = carefulAct(job.state)) {
      if (act.type === 'call' && act.act === 'press') presses++
      const before = job.state
      job.do(act)
      const follows = followsByItself(before, job.state)
      if (!follows) continue
      byItself++
      expect(carefulAct(job.state)).toMatchObject({ type: 'call', act: follows.act })
    }
    expect(presses).toBeGreaterThan(30)
    expect(presses - byItself).toBeLessThanOrEqual(2)
  })

  test('does not follow a slip, an undo, a parking, or an act of anything else', () => {
    expect(followsAfter(looked(), look)).toBe('press')
    const undone = looked()
    undone.do(look)
    undone.do(callNow(undone.run, 'press', undone.state.callTurn ?? 0))
    const press = undone.state.undoable.at(-1)?.eventId ?? ''
    expect(followsAfter(undone, { type: 'undone', event: press })).toBeUndefined()
    const slipped = looked()
    slipped.do(look)
    for (const act of ['press', 'foot-slipped'] as const)
      expect(followsAfter(slipped, callNow(slipped.run, act, slipped.state.callTurn ?? 0))).toBeUndefined()
    expect(followsAfter(looked().do(look), { type: 'bottle-emptied' })).toBeUndefined()
  })

  test('follows also where the scale wrote a pull down meanwhile', () => {
    const job = looked().do(look)
    job.until((now) => now.run.call === 'closed' && now.run.lookDue === false)
    const before = job.state
    job.do(callNow(job.run, 'release', job.state.callTurn ?? 0))
    job.do({ type: 'bottle-weighed', ml: 8, weighings: 0 })
    expect(followsByItself(before, job.state)?.act).toBe('press')
  })

  test('does not follow where the bleeder is done or fluid is to be poured first', () => {
    const job = routine()
    job.until(({ state }) => carefulAct(state)?.type === 'topped-up')
    const before = { ...job.state, run: { ...job.run, lookDue: true }, length: job.state.length - 1 }
    expect(followsByItself(before, job.state)).toBeUndefined()
    job.until(({ state }) => carefulAct(state)?.type === 'point-finished')
    const unlooked = { ...job.state, run: { ...job.run, lookDue: true }, length: job.state.length - 1 }
    expect(followsByItself(unlooked, job.state)).toBeUndefined()
  })
})

test('at a joint that is opened first the press follows the opening', () => {
  const job = ScriptedJob.planned(
    demoVehicle('post-van-lhd'),
    { reason: 'service', ways: [{ technique: 'press-through', why: 'slow' }] },
    ['two-person'],
    380,
  )
  job.until(({ run }) => run.call === 'rest' && run.stages[run.stageIndex]?.at.RR?.ready === true)
  expect(followsAfter(job, callNow(job.run, 'open', job.state.callTurn ?? 0))).toBe('press')
})

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { type Act, ScriptedJob } from '~test/worlds/scripted-job'
import { Chance } from '../base/random'
import { followsByItself } from './by-itself'
import { carefulAct } from './careful'
import type { Running } from './events/kind'
import { perPullMl, reservoirNamed } from './levels'
import { colourToExpect, lookSpeaksFor, saysHose, withUnseenPull } from './looks'
import { currentPoint, currentStage } from './points'
import type { StageRunState } from './state'

const van = demoVehicle('post-van-lhd')
const routine = () => ScriptedJob.planned(van, { reason: 'service' }, ['two-person'], 380)
const atLook = (job: ScriptedJob) => job.until(({ run }) => run.lookDue && run.call === 'rest')
const look = (
  ml: number,
  bubbles: 'none' | 'string' | 'froth' = 'none',
  colour: 'brown' | 'new' = 'brown',
): Act => ({
  type: 'pull-seen',
  ml,
  colour,
  bubbles,
})
/** Pulls from here to the next look that is due, its own among them. */
function pullsToLook(job: ScriptedJob): number {
  const { state, run } = atLook(job)
  return lookSpeaksFor({ ...state, run }).pulls
}
/** Pulls made without a look, with the pedal up again. */
const unseen = (pulls: number) => {
  const job = atLook(routine()).do(look(8))
  job.until(({ run }) => run.call === 'rest' && job.point('RR')?.unseen?.pulls === pulls)
  return job
}

describe('a pull is looked at before the next', () => {
  test('at first and as long as bubbles come; then one look speaks for six', () => {
    const job = routine()
    expect(pullsToLook(job)).toBe(1)
    expect(pullsToLook(job.do(look(8, 'string')))).toBe(1)
    expect(pullsToLook(job.do(look(8)))).toBe(6)
  })

  test('while it brings less than half of its stroke', () => {
    expect(pullsToLook(atLook(routine()).do(look(1)))).toBe(1)
  })

  test('after the foot slipped, and that look speaks for the fluid of all, but for the hose of the last alone', () => {
    const job = unseen(3).call('press', 'holding', 'open', 'foot-slipped', 'close')
    expect(lookSpeaksFor({ ...job.state, run: job.run })).toEqual({ pulls: 4, lastPulls: 1 })
    const before = job.point('RR')?.ml ?? 0
    job.do(look(34, 'none', 'new'))
    // Three pulls were counted with 8 mL each.
    expect(job.point('RR')?.ml).toBeCloseTo(before + 34 - 24)
    expect(job.point('RR')?.cleanStreak).toBe(1)
    expect(pullsToLook(job)).toBe(6)
  })
})

describe('what the hose showed, said at closing', () => {
  /** Pulls from the first look to the next that is due, each closed with its hose said to be so. */
  const saying = (hose: (pull: number) => 'clear' | 'bubbles' | undefined) => {
    const job = atLook(routine()).do(look(8))
    for (let pull = 1; !job.run.lookDue; pull++) {
      job.until(({ run }) => run.call === 'open')
      job.do({ ...(job.callOf('close') as Extract<Act, { type: 'call' }>), hose: hose(pull) })
      job.until(({ run }) => run.call === 'rest')
    }
    return lookSpeaksFor({ ...job.state, run: job.run }).pulls
  }

  test('clear at each, one look speaks for many more; bubbles are looked at there and then', () => {
    expect(saying(() => 'clear')).toBeGreaterThanOrEqual(12)
    expect(saying((pull) => (pull === 4 ? 'bubbles' : 'clear'))).toBe(4)
  })
  test('once left unsaid, it is looked at as often as where nothing is said', () => {
    expect(saying((pull) => (pull === 2 ? undefined : 'clear'))).toBe(6)
  })
  test('clear finishes nothing: what ends a bleeder is seen', () => {
    const job = atLook(routine()).do(look(8))
    const before = job.point('RR')?.cleanStreak
    job.until(({ run }) => run.call === 'open')
    job.do({ ...(job.callOf('close') as Extract<Act, { type: 'call' }>), hose: 'clear' })
    expect(job.point('RR')?.cleanStreak).toBe(before)
  })
  test('is asked only where its being clear spares a look', () => {
    const asked = (job: ScriptedJob) => {
      job.until(({ run }) => run.call === 'open')
      return saysHose({ ...job.state, run: job.run })
    }
    expect(asked(routine())).toBe(false)
    expect(asked(atLook(routine()).do(look(8, 'froth')))).toBe(false)
    // Those of the first look are what the line held: whoever closes says that they ended.
    const bubbled = atLook(routine()).do(look(8, 'string'))
    expect(asked(bubbled)).toBe(true)
    expect(asked(atLook(bubbled).do(look(8, 'string')))).toBe(false)
    // Air was drawn in since: that is looked at, whatever was seen before.
    const slipped = atLook(routine()).do(look(8, 'string'))
    slipped.until(({ run }) => run.call === 'open').call('foot-slipped')
    expect(saysHose({ ...slipped.state, run: slipped.run })).toBe(false)
    slipped.do({ ...(slipped.callOf('close') as Extract<Act, { type: 'call' }>), hose: 'clear' })
    expect(slipped.run.lookDue).toBe(true)
    expect(asked(atLook(routine()).do(look(8)))).toBe(true)
    expect(saysHose({ ...atLook(routine()).state, run: atLook(routine()).run })).toBe(false)
  })
})

describe('what a new bleeder is expected to show', () => {
  const secondBleeder = () => {
    const job = atLook(routine()).do(look(8, 'none', 'brown'))
    return job.until(({ run }) => currentPoint(run) !== 'RR')
  }

  test('is the colour that stood in the line before, whatever that ended with', () => {
    const job = secondBleeder()
    expect(job.point('RR')?.colour).toBe('new')
    expect(colourToExpect({ ...job.state, run: job.run }, 'RL')).toBe('brown')
    job.until(({ run }) => currentPoint(run) === 'FR')
    expect(colourToExpect({ ...job.state, run: job.run }, 'FR')).toBe(job.point('RL')?.firstColour)
  })

  test('is the pull of the other wheel of its axle, and on the other axle what its chamber gives', () => {
    const job = secondBleeder()
    const { ml = 0, counted = 0 } = job.point('RR') ?? {}
    const each = (point: string) => perPullMl(van, currentStage(job.run) as StageRunState, point)
    expect(each('RL')).toBeCloseTo(ml / counted)
    expect(each('FR')).not.toBeCloseTo(ml / counted)
  })
})

describe('pulls that were passed over', () => {
  test('count by what the ones before brought, and the look puts right what they really did', () => {
    const job = unseen(4)
    expect(job.point('RR')).toMatchObject({ pulls: 5, ml: 40 })
    const levelMl = Object.values(job.run.levelMl)[0] ?? 0
    job.do(look(30, 'none', 'new'))
    expect(job.point('RR')).toMatchObject({ pulls: 5, ml: 38, cleanStreak: 3, unseen: undefined })
    expect(Object.values(job.run.levelMl)[0]).toBeCloseTo(levelMl + 2)
    expect(job.events.at(-1)).toMatchObject({ pulls: 4, cleanPulls: 3 })
  })

  test('leave the level of a reservoir alone that a bottle keeps full', () => {
    const job = unseen(1)
    const fed = withUnseenPull(job.state as Running, { ...job.run, bottleOn: true }, 'RR', { ml: 8 })
    expect(fed.levelMl).toEqual(job.run.levelMl)
    expect(withUnseenPull(job.state as Running, job.run, 'RR', { ml: 8 }).levelMl).not.toEqual(
      job.run.levelMl,
    )
  })

  test('a look that claims more pulls than were made speaks for those that were', () => {
    const job = unseen(1).do({ ...look(8), pulls: 900, cleanPulls: 900, bare: true } as Act)
    expect(job.events.at(-1)).not.toMatchObject({ pulls: 900 })
    expect(job.events.at(-1)).not.toHaveProperty('bare')
    expect(job.point('RR')?.cleanStreak).toBe(0)
  })

  test('are written down before a level, a bottle or a way is changed, and before anything goes wrong is mended', () => {
    const job = unseen(2)
    const [reservoir = ''] = Object.keys(job.run.levelMl)
    for (const act of [
      { type: 'topped-up', reservoir, ml: 20 },
      { type: 'level-read', reservoir, ml: 300 },
      { type: 'bottle-emptied' },
    ] as const)
      expect(job.refusal(act)).toBe('look-due')
    expect(job.refusal({ type: 'point-finished', point: 'RR' })).toBe('close-and-look-first')
    expect(job.refusal({ type: 'trouble', trouble: { what: 'ran-dry', reservoir } })).toBe(
      'trouble-call-first',
    )
  })

  test('can be written down while the next is called for, and not while the bleeder stands open', () => {
    const job = unseen(2).call('press', 'holding')
    expect(job.refusal(look(16))).toBeUndefined()
    expect(job.call('open').refusal(look(16))).toBe('nothing-to-see')
    const early = unseen(2).call('press').do(look(15))
    expect(early.run.call).toBe('pressing')
    expect(early.point('RR')?.unseen).toBeUndefined()
  })

  test('are asked for first by whoever takes up a job that was parked', () => {
    const job = unseen(2)
    job.do({ type: 'parked', why: 'shift', standsOpen: [], machineOn: false, pedalPropped: false, note: '' })
    job.do({ type: 'resumed', asLeft: true, pedalCameUp: false, found: '' })
    expect(job.refusal(job.callOf('press'))).toBe('look-due')
    expect(job.refusal(look(16))).toBeUndefined()
  })
})

/** A van whose pulls bring what they bring, whatever is counted: what was done, and what stood in it at the worst. */
function workedWith(varies: number, seed: number) {
  const chance = new Chance(seed)
  const job = routine()
  const reservoir = reservoirNamed(job.state, Object.keys(job.run.levelMl)[0] ?? '')
  let [levelMl, sinceLook, leastAboveMin] = [0, 0, Number.POSITIVE_INFINITY]
  const came: Record<string, number> = {}
  const acts = { bay: 0, pulls: 0, looks: 0 }
  let followed = false
  for (let act = carefulAct(job.state); act; act = carefulAct(job.state)) {
    const point = currentPoint(job.run) ?? ''
    if (act.type === 'pull-seen') {
      act.ml = sinceLook
      sinceLook = 0
      acts.looks++
    }
    if (act.type === 'call' && act.act === 'close') {
      const pullMl = 6 * (1 + varies * (2 * chance.next() - 1))
      sinceLook += pullMl
      levelMl -= pullMl
      came[point] = (came[point] ?? 0) + pullMl
      acts.pulls++
      leastAboveMin = Math.min(leastAboveMin, levelMl - (reservoir?.minMl ?? 0))
    }
    if (act.type === 'call' && act.act === 'close' && saysHose({ ...job.state, run: job.run }))
      act.hose = 'clear'
    if (act.type === 'topped-up') act.ml = (reservoir?.maxMl ?? 0) - levelMl
    const inCab = act.type === 'call' && (act.act === 'holding' || act.act === 'release')
    if (!inCab && !followed) acts.bay++
    const before = job.state
    job.do(act)
    if (act.type === 'topped-up' || act.type === 'step-done' || act.type === 'level-read')
      levelMl = Object.values(job.run.levelMl)[0] ?? 0
    followed = followsByItself(before, job.state) !== undefined
  }
  return { job, came, leastAboveMin, acts }
}

describe('a whole routine exchange of the post van', () => {
  test('whatever a pull brings, a third more or less: never below MIN, every mL written down, every place has its volume', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 10_000 }), (seed) => {
        const { job, came, leastAboveMin } = workedWith(0.33, seed)
        expect(leastAboveMin).toBeGreaterThanOrEqual(0)
        const stage = job.run.stages.find(({ stage }) => stage.kind === 'bleed')
        for (const [point, ml] of Object.entries(came)) {
          expect(job.point(point)?.ml).toBeCloseTo(ml, 6)
          expect(ml).toBeGreaterThanOrEqual(stage?.stage.mlByBleeder?.[point] ?? 0)
        }
        expect(stage?.tally.outMl).toBeCloseTo(
          Object.values(came).reduce((sum, ml) => sum + ml, 0),
          6,
        )
      }),
      { numRuns: 200 },
    )
  })

  test('takes the bay at most 2.25 acts a pull in the call, and at most 2.45 with everything', () => {
    const { acts } = workedWith(0.1, 1)
    console.log(acts)
    expect((2 * acts.pulls + acts.looks) / acts.pulls).toBeLessThanOrEqual(2.25)
    expect(acts.bay / acts.pulls).toBeLessThanOrEqual(2.45)
  })
})

import { describe, expect, test } from 'vitest'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'
import type { Bubbles } from '../../fluid/specs/colour'
import { examples } from '../../vehicle/examples'
import { sayMetric } from '../../words'
import { carefulAct } from '../careful'
import { nextFlowLook } from '../flow-looks'
import { otherSide } from '../points'
import { findings } from '.'

const vehicle = vehicleFrom(carFile(fourCorners))
const planned = (method: string, levelMl = 380) =>
  ScriptedJob.planned(vehicle, { reason: 'service' }, [method], levelMl)
const codes = (job: ScriptedJob) => findings(job.state).map(({ code }) => code)
/** At a bleeder, with the joint open (or the pull ended) and ready to be looked at. */
const openAt = (job: ScriptedJob, point: string) =>
  job.until(({ run }) => run.callAt === point && run.call === 'open')
const look = (job: ScriptedJob, ml: number, bubbles: Bubbles = 'none', colour: 'new' | 'dark' = 'dark') =>
  job.do({ type: 'pull-seen', ml, colour, bubbles })

describe('flow against the line’s prediction', () => {
  // From Hagen–Poiseuille with the bleeder's own passage and hole, as the plan's minutes are.
  const flowing = (mlPerMin: number, seconds = 20) => {
    const job = openAt(planned('pressure'), 'rr')
    job.wait(seconds)
    return look(job, (mlPerMin * seconds) / 60)
  }
  const expected = () => {
    const says = findings(flowing(50).state).find(({ code }) => code === 'flow-slow')?.params
      ?.expectedMlPerMin
    return Math.round(Number(says))
  }

  test('a wheel at a third of its line’s flow is suspected of a restricted hose, and what to check is said', () => {
    const found = findings(flowing(expected() / 3).state)
    expect(found[0] && sayMetric(found[0])).toContain('restricted hose')
    expect(found[0]?.checks.map(sayMetric).join(' ')).toContain('free itself at once')
  })
  test('the same wheel at its line’s flow, or within the watch’s error of a half, is not', () => {
    expect(codes(flowing(expected()))).toEqual([])
    expect(codes(flowing(expected() * 0.47))).toEqual([])
  })
  test('a few seconds, or a few drops, are no measurement', () => {
    expect(codes(flowing(100, 10))).toEqual([])
    expect(codes(openAt(planned('pressure'), 'rr'))).toEqual([])
  })
  test('nothing is predicted where a foot drives it', () => {
    const job = openAt(planned('solo'), 'rr')
    job.wait(120)
    expect(codes(look(job, 20))).toEqual([])
  })
  test('beside the other wheel: slow alone is slow, slow like the other is cold fluid or less pressure', () => {
    const job = flowing(expected())
    job.until(({ run }) => run.callAt === 'rl' && run.call === 'open').wait(60)
    expect(codes(look(job, expected() / 4))).toContain('side-slow')
  })
})

describe('what a unit’s routine brought, beside what was reckoned', () => {
  const van = vehicleFrom(structuredClone(examples['electric-post-van']?.file))
  /** At the base bleed that follows a routine whose every look saw so much of what was reckoned for it. */
  const broughtShare = (share: number) => {
    const job = ScriptedJob.planned(van, { reason: 'repair', replaced: ['unit'] }, [
      'two-person',
      'control-unit',
    ])
    const inRoutine = () => job.run.stages[job.run.stageIndex]?.stage.kind === 'control-unit'
    job.until(inRoutine)
    const stage = job.run.stages[job.run.stageIndex]?.stage
    const eachMl = ((stage?.ml ?? 0) / (stage?.order.length ?? 1)) * share
    while (inRoutine()) {
      const act = carefulAct(job.state)
      if (!act) throw new Error('the routine has an end')
      job.do(act.type === 'pull-seen' ? { ...act, ml: eachMl, colour: 'new', bubbles: 'none' } : act)
    }
    return job.until(({ run }) => run.stages[run.stageIndex]?.stage.kind === 'bleed' && run.call === 'rest')
  }
  test('far too little is said before the bleed that would hide it', () => {
    expect(codes(broughtShare(0.2))).toContain('routine-little')
    expect(codes(broughtShare(0.9))).not.toContain('routine-little')
  })
})

test('nothing at an open bleeder, for as long as should have filled a glass, is a flow of none', () => {
  const job = openAt(planned('pressure'), 'rr')
  job.wait(60)
  expect(codes(look(job, 0))).toContain('flow-slow')
})

describe('two pulls that move next to nothing', () => {
  const still = (bubbles: Bubbles) => {
    const job = planned('two-person')
    for (let n = 0; n < 2; n++) {
      expect(codes(job)).not.toContain('no-flow')
      look(
        job.until(({ run }) => run.lookDue && run.call === 'rest'),
        0.5,
        bubbles,
        'new',
      )
    }
    return job
  }
  test('finish nothing, and are looked for from the cylinder’s port outwards', () => {
    const job = still('none')
    const [found] = findings(job.state)
    expect(found?.code).toBe('no-flow')
    expect(nextFlowLook(job.state.vehicle, 'rr')?.id).toBe('port')
    expect(job.point('rr')).toMatchObject({ cleanStreak: 0, still: 2 })
  })
  test('with bubbles that stay are a cylinder that draws nothing; a pull that moves ends it', () => {
    const job = still('string')
    expect(codes(job)).toContain('draws-nothing')
    look(
      job.until(({ run }) => run.lookDue && run.call === 'rest'),
      6,
      'none',
    )
    expect(codes(job)).not.toContain('draws-nothing')
  })
})

test('by foot a pull that brings less than half of the other side’s raises the same suspicion', () => {
  const job = planned('two-person').until((now) => now.point('rr')?.finished === true)
  const pull = (ml: number) => {
    job.until(({ run }) => run.callAt === 'rl' && run.call === 'rest' && run.lookDue)
    job.do({ type: 'pull-seen', ml, colour: 'new', bubbles: 'none' })
  }
  pull(3)
  pull(3)
  expect(codes(job)).not.toContain('pulls-small')
  pull(3)
  expect(codes(job)).toContain('pulls-small')
})

test('the other side of an axle is the bleeder at the same place there; a wheel alone has none', () => {
  expect(['fl', 'rr'].map((id) => otherSide(vehicle, id))).toEqual(['fr', 'rl'])
  const alone = vehicleFrom(carFile([{ id: 'f', position: 'front', lengthM: 1 }]))
  expect(otherSide(alone, 'f')).toBeUndefined()
})

describe('bubbles', () => {
  const seen = (method: string, bubbles: Bubbles[]) => {
    const job = openAt(planned(method), 'rr')
    for (const each of bubbles) look(job, 10, each)
    return codes(job)
  }
  test('small ones that stay the same under vacuum may be drawn past the thread; real ones thin out', () => {
    expect(seen('vacuum', ['string', 'string', 'string', 'string'])).toContain('false-bubbles')
    expect(seen('vacuum', ['slug', 'string', 'string', 'string'])).not.toContain('false-bubbles')
    expect(seen('vacuum', ['string', 'string', 'string', 'none'])).not.toContain('false-bubbles')
    expect(seen('pressure', ['string', 'string', 'string', 'string'])).not.toContain('false-bubbles')
  })
  test('froth is given the time that a 0.1 mm bubble takes through 60 mm, about 3 min at 20 °C by Stokes’s law', () => {
    const job = look(openAt(planned('pressure'), 'rr'), 10, 'froth')
    const found = findings(job.state).find(({ code }) => code === 'froth')
    expect(found?.waitS).toBeGreaterThan(150)
    expect(found?.waitS).toBeLessThan(200)
    expect(codes(look(job, 10, 'none'))).not.toContain('froth')
  })
})

test('half as much again as planned without clearing: more will not help, and the causes are those of what is seen', () => {
  const job = openAt(planned('pressure'), 'rr')
  const targetMl = job.run.stages[job.run.stageIndex]?.stage.mlByBleeder?.rr ?? 0
  look(job, targetMl * 1.4)
  expect(codes(job)).not.toContain('over-with-colour')
  look(job, targetMl * 0.2)
  expect(codes(job)).toContain('over-with-colour')
  expect(codes(look(job, 5, 'string'))).toContain('over-with-air')
  expect(codes(look(job, 5, 'none', 'new'))).not.toContain('over-with-air')
})

test('the machine’s tank is counted down from its mark, and called out before a bleeder would empty it', () => {
  const job = openAt(planned('pressure'), 'rr')
  const wants = job.run.stages[job.run.stageIndex]?.stage.mlByBleeder?.rr ?? 0
  expect(codes(job)).not.toContain('tank-low')
  job.do({ type: 'tank-read', ml: wants + 200 })
  expect(codes(look(job, 40))).not.toContain('tank-low')
  expect(job.run.tankMl).toBe(wants + 160)
  job.do({ type: 'tank-read', ml: wants })
  expect(codes(job)).toContain('tank-low')
  expect(planned('two-person').refusal({ type: 'tank-read', ml: 900 })).toBe('no-tank')
})

import { describe, expect, test } from 'vitest'
import { demoVehicle } from '~test/worlds/demo-vehicles'
import { ScriptedJob } from '~test/worlds/scripted-job'
import { vehicleFrom } from '~test/worlds/vehicles'
import type { Colour } from '../fluid/specs/colour'
import { examples } from '../vehicle/examples'
import { findings } from './findings'
import { isFed } from './points'

const look = (ml: number) => ({ type: 'pull-seen', ml, colour: 'new', bubbles: 'none' }) as const

describe('no flow is a finding, and nothing is clean that did not move', () => {
  /** At the first pull of a stage, ended and to be looked at. */
  const atLook = (work: object, methods: string[], kind: string) => {
    const job = ScriptedJob.planned(demoVehicle('post-van-lhd'), work, methods, 380)
    return job.until(
      ({ run }) => run.lookDue && run.call === 'rest' && run.stages[run.stageIndex]?.stage.kind === kind,
    )
  }

  test('two pulls of 0 mL do not finish a port', () => {
    const job = atLook({ reason: 'repair', ranDry: true }, ['two-person'], 'port-bleed')
    const point = job.run.callAt ?? job.run.stages[job.run.stageIndex]?.points[0] ?? ''
    job.do(look(0))
    expect(job.point(point)?.cleanStreak).toBe(0)
    expect(job.refusal({ type: 'point-finished', point })).toBe('point-not-done')
  })

  test('a pull far below its cylinder’s stroke is no clean pull; one of half a stroke is', () => {
    // 25.4 mm by 16 or 18: a full stroke is eight millilitres and more, a drop is none of it.
    const job = atLook({ reason: 'service' }, ['two-person'], 'bleed')
    expect(job.do(look(0.2)).point('RR')?.cleanStreak).toBe(0)
    const again = atLook({ reason: 'service' }, ['two-person'], 'bleed')
    expect(again.do(look(4)).point('RR')?.cleanStreak).toBe(1)
  })

  test('left open, a look that brought nothing is none either', () => {
    const job = ScriptedJob.planned(demoVehicle('post-van-lhd'), { reason: 'service' }, ['pressure'], 380)
    job.until(({ run }) => run.call === 'open')
    expect(job.do(look(0)).point('RR')?.cleanStreak).toBe(0)
    expect(job.do(look(30)).point('RR')?.cleanStreak).toBe(1)
  })
})

describe('clean is what looks like the fluid that is poured in', () => {
  const cleanAt = (work: object, colour: Colour) => {
    const job = ScriptedJob.planned(demoVehicle('post-van-lhd'), work, ['two-person'], 380)
    job.until(
      ({ run }) => run.lookDue && run.call === 'rest' && run.stages[run.stageIndex]?.stage.kind === 'bleed',
    )
    const point = job.run.callAt ?? ''
    return job.do({ ...look(6), colour }).point(point)?.cleanStreak === 1
  }

  test('glycol is colourless to amber when it is new: amber is clean, brown is not', () => {
    const service = { reason: 'service' }
    expect((['new', 'amber', 'brown', 'purple'] as const).map((each) => cleanAt(service, each))).toEqual([
      true,
      true,
      false,
      false,
    ])
  })

  test('silicone that still comes out of a conversion is not', () => {
    expect(cleanAt({ reason: 'conversion', fluidFound: 'DOT 5' }, 'purple')).toBe(false)
  })
})

/** A routine that wants the bottle for the unit’s own brakes alone. */
function bottledForRears(file: unknown) {
  const taxi = file as { parts: { type: string }[] }
  const steps = [
    { who: 'wheel', bottle: 'on' },
    { who: 'wheel', bleed: 'RR', by: 'unit' },
    { who: 'wheel', bleed: 'RL', by: 'unit' },
    { who: 'wheel', bottle: 'off' },
    ...['FR', 'FL', 'S'].map((bleed) => ({ who: 'wheel', bleed, by: 'foot' })),
  ]
  const procedure = { name: 'Rears under the bottle', steps }
  return {
    ...taxi,
    parts: taxi.parts.map((part) => (part.type === 'control-unit' ? { ...part, procedure } : part)),
  }
}

describe('a bottle that stands on the reservoir', () => {
  const taxi = vehicleFrom(structuredClone(examples['hybrid-taxi']?.file))
  const job = () => ScriptedJob.planned(taxi, { reason: 'service' }, ['two-person', 'control-unit'], 400)
  const stageOf = ({ run }: ScriptedJob) => run.stages[run.stageIndex]?.stage

  test('keeps its level through the unit’s whole routine; what counts down is the bottle', () => {
    const led = job().until(({ run }) => run.bottleOn === true && run.call === 'open')
    const stage = stageOf(led)
    expect(stage?.kind).toBe('control-unit')
    expect(stage && isFed(led.run, stage)).toBe(true)
    const levels = { ...led.run.levelMl }
    led.do({ type: 'tank-read', ml: 250 })
    for (let i = 0; i < 3; i++) led.do({ type: 'pull-seen', ml: 60, colour: 'dark', bubbles: 'none' })
    expect(led.run.levelMl).toEqual(levels)
    expect(led.run.tankMl).toBe(70)
    expect(findings(led.state)[0]?.code).toBe('bottle-low')
    expect(led.bledToTheEnd().run.bottleOn).toBeUndefined()
  })

  test('off again, pulls lower the reservoir as they did, and the bottle’s mark is forgotten', () => {
    const rearsOnly = vehicleFrom(bottledForRears(structuredClone(examples['hybrid-taxi']?.file)))
    const after = ScriptedJob.planned(
      rearsOnly,
      { reason: 'service' },
      ['two-person', 'control-unit'],
      400,
    ).until(({ run }) => run.stages[run.stageIndex]?.stage.kind === 'bleed' && run.call === 'open')
    expect(after.run.bottleOn).toBeUndefined()
    expect(after.run.tankMl).toBeUndefined()
  })

  test('no bottle and no machine, no tank to read', () => {
    const van = ScriptedJob.planned(demoVehicle('post-van-lhd'), { reason: 'service' }, ['two-person'], 380)
    expect(van.until(({ run }) => run.call === 'open').refusal({ type: 'tank-read', ml: 100 })).toBe(
      'no-tank',
    )
  })
})

describe('flow', () => {
  const slow = (vehicle: Parameters<typeof ScriptedJob.planned>[0]) => {
    const job = ScriptedJob.planned(vehicle, { reason: 'service' }, ['pressure'], 380)
    job.until(({ run }) => run.call === 'open').wait(60)
    return findings(job.do({ type: 'pull-seen', ml: 20, colour: 'dark', bubbles: 'none' }).state).map(
      ({ code }) => code,
    )
  }

  test('behind a control unit a wheel alone is never called restricted: small passages are not in the file', () => {
    expect(slow(demoVehicle('post-van-lhd'))).not.toContain('flow-slow')
    expect(slow(demoVehicle('charabanc'))).toContain('flow-slow')
  })
})

describe('a reading of the fluid', () => {
  const opened = (work: object) => ScriptedJob.checkedInOnly(demoVehicle('post-van-lhd'), work)

  test('is not asked for where one hose was opened, and is for an exchange', () => {
    expect(opened({ reason: 'repair', opened: ['rear left brake'] }).refusalOfPlan()).toBeUndefined()
    expect(opened({ reason: 'service' }).refusalOfPlan()).toBe('not-tested')
    expect(opened({ reason: 'repair', replaced: ['cylinder'] }).refusalOfPlan()).toBe('not-tested')
  })
})

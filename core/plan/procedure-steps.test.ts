import { expect, test } from 'vitest'
import { examples } from '../vehicle/examples'
import { makePlan } from './plan'
import { stepOfProcedure } from './procedure-steps'
import { readPlanRequest } from './request'

test('a foot keeps the word that the phone has for it, whatever else was written beside it', () => {
  const step = stepOfProcedure({ who: 'cab', foot: 'hold', does: 'Hold hard.' }, 0, undefined)
  expect(step).toMatchObject({
    code: 'procedure-foot-hold',
    params: { does: 'Hold hard.' },
    sets: 'foot-held',
  })
})

test('a sensor that a routine unplugs in its own words is unplugged once, and counted back once', () => {
  const file = structuredClone(examples['hybrid-taxi']?.file) as { parts: { type: string }[] }
  const steps = [
    { who: 'tool', unplugs: 'level-sensor', does: 'Pull the small grey plug.' },
    { who: 'wheel', bleed: 'RR' },
    { who: 'wheel', bleed: 'RL' },
    { who: 'tool', plugsBack: 'level-sensor', does: 'Push it back.' },
  ]
  const parts = file.parts.map((part) =>
    part.type === 'control-unit' ? { ...part, procedure: { name: 'Written', steps } } : part,
  )
  const read = readPlanRequest({
    format: 'ruddy-siphon.plan-request',
    version: 1,
    vehicle: { ...file, parts },
    work: { reason: 'service' },
    shop: { methods: ['two-person', 'control-unit'] },
  })
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  const all = makePlan(read.value).stages.flatMap(({ before, after }) => [...before, ...after])
  expect(all.filter(({ sets }) => sets === 'level-sensor')).toHaveLength(1)
  expect(all.find(({ code }) => code === 'connectors-back')?.params).toMatchObject({ count: 1 })
})

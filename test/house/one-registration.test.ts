import { afterEach, expect, test } from 'vitest'
import { z } from 'zod'
import { fact } from '~core/base/decision'
import { registerFluid } from '~core/fluid/specs'
import { dot4 } from '~core/fluid/specs/dot-4'
import { applyEvent, replayStored } from '~core/job/apply'
import { registerEvent } from '~core/job/events'
import { neverRefused } from '~core/job/events/kind'
import { stamp } from '~core/job/events/stamp'
import { callOf, currentStage } from '~core/job/points'
import { bleedDone } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import { registerTrouble } from '~core/job/troubles'
import { mendStep } from '~core/job/troubles/parts'
import { Draft, idField } from '~core/job/troubles/trouble'
import { registerTechnique } from '~core/technique'
import { callStep, doesFact } from '~core/technique/calls'
import { pressedCall } from '~core/technique/calls/pressed'
import { pumpAndHold } from '~core/technique/pump-and-hold'
import { type TechniqueId, techniqueFact } from '~core/technique/technique'
import { registerWords, sayMetric } from '~core/words'
import { techniqueWords } from '~core/words/techniques'
import { type Act, ScriptedJob } from '~test/worlds/scripted-job'
import { carFile, fourCorners, vehicleFrom } from '~test/worlds/vehicles'

const registered: (() => void)[] = []
afterEach(() => {
  for (const forget of registered.splice(0)) forget()
})

test('a made-up fluid, technique, trouble and type of event, one registration each, and a whole job led with them', () => {
  // A fluid.
  registered.push(registerFluid({ ...dot4, spec: 'DOT 4 island', dryC: 270, wetC: 190 }))
  // A technique: a foot that never pumps, quicker than every other, with a call table and words of its own.
  const id = 'slow-foot' as TechniqueId
  const call = pressedCall('slow-foot', 'open-slowly')
  registered.push(
    registerTechnique({ ...pumpAndHold, id, call, minutes: () => ({ fluidMinutes: 1, handlingMinutes: 1 }) }),
    registerWords(
      techniqueWords(id, {
        name: 'Slow foot',
        why: 'No pumping.',
        round: ['One slow press.'],
        done: 'Clean.',
        mistakes: ['Fast.'],
      }),
    ),
    registerWords({ 'call-open-slowly': 'Open {joint} slowly.' }),
  )
  // A trouble: a wasp on the pedal, with a step of its own.
  const wasp = z.object({ what: z.literal('wasp'), point: idField })
  registered.push(
    registerTrouble('wasp', {
      schema: wasp,
      decide: (state, _said, eventId) => ({
        says: fact('trouble-wasp'),
        startAgain: [],
        changes: new Draft(state, eventId).do({ op: 'mend', steps: [mendStep(eventId, 'gone', 'wasp-gone')] })
          .changes,
      }),
    }),
    registerWords({ 'trouble-wasp': 'A wasp on the pedal.', 'do-wasp-gone': 'Let the wasp out.' }),
  )
  // A type of event: somebody looked at the weather.
  const schema = z.object({ ...stamp, type: z.literal('weather-seen'), rains: z.boolean() })
  registered.push(
    registerEvent({
      type: 'weather-seen',
      schema: schema as never,
      version: 1,
      upcasts: [],
      madeAt: 'vehicle',
      undo: true,
      needs: 'plate',
      refuse: neverRefused,
      apply: (state) => ({ ...state, bleedAgainWhy: [...state.bleedAgainWhy, 'it rains'] }),
    }),
  )

  const vehicle = vehicleFrom({ ...carFile(fourCorners), fluid: { spec: 'DOT 4 island' } })
  const job = ScriptedJob.planned(vehicle, { reason: 'service' }, ['two-person'], 300)
  const bleed = job.run.stages.find(({ stage }) => stage.kind === 'bleed')?.stage
  expect(bleed?.technique).toBe(id)
  expect(bleed && sayMetric(techniqueFact({ id: bleed.technique ?? id }))).toBe('Slow foot')
  expect(job.state.planned?.plan.fluid.spec).toBe('DOT 4 island')
  job.until(({ run }) => run.stages[1]?.at.rr?.ready === true)
  job.do({ type: 'weather-seen', rains: true } as unknown as Act)
  job.trouble({ what: 'wasp', point: 'rr' } as never)
  expect(job.run.mends[0]?.steps.map(({ code }) => code)).toEqual(['wasp-gone'])
  job.until(({ run }) => run.call === 'holding')
  const stage = currentStage(job.run)?.stage
  const step = stage && callStep(callOf(stage), job.run.call)
  expect(step && sayMetric(doesFact(step, fact('bleeder', { id: 'RR' })))).toBe('Open bleeder RR slowly.')
  job.bledToTheEnd().proved()
  expect(bleedDone(job.state)).toBe(true)
  job.do({ type: 'filed', outcome: 'fit', doneBy: 'Una', note: '', wasteMl: 0 })
  // It opens again from what was stored of it.
  const stored = JSON.parse(JSON.stringify(job.events))
  const opened = [...replayStored(stored)].at(-1)?.after as JobState
  expect(JSON.parse(JSON.stringify(opened))).toEqual(JSON.parse(JSON.stringify(job.state)))
  expect(opened.bleedAgainWhy).toEqual(['it rains'])
  expect(applyEvent(opened, job.event({ type: 'weather-seen', rains: false } as unknown as Act)).ok).toBe(
    false,
  )
})

import { nextFlowLook } from '~core/job/flow-looks'
import { jointsOf } from '~core/job/joints'
import { stillOff } from '~core/job/off-things'
import { callOf, currentPoint, currentStage } from '~core/job/points'
import { brakedWheels } from '~core/job/proofs/places'
import { currentStep } from '~core/job/steps'
import type { ScriptedJob } from '~test/worlds/scripted-job'
import { at, by, parked, pointNow, resumed, wholeJob } from './acting'

/** A two-person bleed with so many pulls passed over, the pedal up. */
const passedOver = (pulls: number, technique: 'pump-and-hold' | 'press-through' = 'pump-and-hold') => {
  const job = by('parcel-van', 'two-person', technique)
  return job.until(({ run }) => run.call === 'rest' && job.point(pointNow(job))?.unseen?.pulls === pulls)
}
const look = (job: ScriptedJob, ml: number, bubbles: 'none' | 'string' = 'none') =>
  job.do({ type: 'pull-seen', ml, colour: 'brown', bubbles })

const looked = (answers: number, found: { check: string; result: string; at?: string }[]) => ({
  answers,
  type: 'fault-looked' as const,
  complaint: 'sinking-pedal' as const,
  found,
  tried: [],
})

const sheet = (of: string, place: string, filled: Record<string, string>) => ({
  type: 'sheet-filled' as const,
  sheet: of,
  place,
  filled,
  fills: 0,
})

/** What the third version records beside the second: pulls that were passed over, looks that speak for several, the search for a fault, sheets of parts. */
export const thirdVersion: Record<string, () => ScriptedJob> = {
  'pulls-passed-over': () => wholeJob(by('parcel-van', 'two-person', 'pump-and-hold')),
  'pressed-through-and-passed-over': () => wholeJob(passedOver(2, 'press-through')),
  'looked-at-before-it-was-asked': () => wholeJob(look(passedOver(3).call('press'), 21)),
  'less-than-was-counted': () => wholeJob(look(passedOver(3), 6)),
  'slipped-after-pulls-passed-over': () =>
    wholeJob(look(passedOver(3).call('press', 'holding', 'open', 'foot-slipped', 'close'), 40, 'string')),
  'parked-with-pulls-passed-over': () => wholeJob(look(passedOver(2).do(parked()).do(resumed()), 17)),
  'looked-for-the-fault': () =>
    wholeJob(
      by('parcel-van', 'two-person', 'pump-and-hold')
        .do(looked(0, [{ check: 'level', result: 'low' }]))
        .do(
          looked(1, [
            { check: 'level', result: 'low' },
            { check: 'wet-places', result: 'wheel', at: 'front left brake' },
          ]),
        )
        .do({ ...looked(2, []), tried: ['air-lines'], was: 'cylinder-bypass' }),
    ),
  'looked-at-again': () =>
    wholeJob(by('parcel-van', 'two-person', 'pump-and-hold'))
      .do({ type: 'addendum', text: 'Nuts sit.', followUp: { id: 'wheel-nuts', good: true } })
      .do({ type: 'addendum', text: 'Half way to MIN.', followUp: { id: 'level', good: false } }),
  'joints-and-what-came-off': () => {
    const job = at('parcel-van', { reason: 'repair', opened: ['front left pipe'] }, ['two-person'])
    job.do({ type: 'taken-off', thing: 'sensor', where: 'front left' })
    job.do({ type: 'taken-off', thing: 'bracket', where: '' })
    for (const { id } of stillOff(job.state)) job.do({ type: 'put-back', off: id })
    job.until(({ state }) => jointsOf(state).every(({ id }) => state.joints?.[id]?.tight))
    return wholeJob(job.do({ type: 'joint-checked', joint: 'front left pipe at unit', is: 'wet' }))
  },
  'weighed-and-wheel-by-wheel': () => {
    const job = passedOver(1).do({ type: 'bottle-weighed', ml: 6.5, weighings: 0 })
    job.until(({ run }) => run.lookDue && run.call === 'rest')
    job.do({ type: 'pull-seen', ml: 8.2, colour: 'brown', bubbles: 'none', weighed: true })
    job.bledToTheEnd()
    const [wheel] = brakedWheels(job.state)
    job.do({ type: 'place-looked', check: 'wheels-free', place: wheel?.id ?? '', is: 'stays-on' })
    return wholeJob(job)
  },
  'unit-by-wire-and-its-routine': () => {
    const job = at('hybrid-taxi', { reason: 'repair', replaced: ['unit'] }, ['two-person', 'control-unit'])
    const codes = [{ code: 'C 214', says: 'Accumulator pressure', is: 'present' }] as const
    job.do({ type: 'unit-read', unit: 'unit', when: 'before', reading: { from: 'aloud', codes: [...codes] } })
    job.until(
      ({ state, run }) => currentStep({ run, standing: state.standing })?.step.awaits === 'pump-stops',
    )
    job.trouble({ what: 'routine-stopped', why: 'tool-died' }).bledToTheEnd()
    const returned = codes.map((each) => ({ ...each, is: 'returned' as const }))
    job.do({ type: 'unit-read', unit: 'unit', when: 'after', reading: { from: 'aloud', codes: returned } })
    return wholeJob(job)
  },
  'unit-wheel-by-wheel-pumped': () => {
    const job = at('electric-post-van', { reason: 'repair', replaced: ['unit'] }, [
      'two-person',
      'control-unit',
    ])
    job.until(({ run }) => {
      const stage = currentStage(run)?.stage
      return stage !== undefined && callOf(stage).kind === 'pulsed' && run.call === 'open'
    })
    return wholeJob(job.call('tool-died'))
  },
  'nothing-comes': () => {
    const job = by('parcel-van', 'two-person', 'pump-and-hold')
    for (let pull = 0; pull < 2; pull++)
      job
        .until(({ run }) => run.lookDue && run.call === 'rest' && run.plateConfirmed)
        .do({ type: 'pull-seen', ml: 0, colour: 'brown', bubbles: 'none' })
    const point = currentPoint(job.run) ?? ''
    for (let look = nextFlowLook(job.state.vehicle, point); look; ) {
      job.do({
        type: 'flow-looked',
        point,
        look: look.id,
        is: look.results[0] ?? '',
        ...(look.strokes && { ml: 1 }),
      })
      look = nextFlowLook(job.state.vehicle, point, job.point(point)?.flowLooked)
    }
    return wholeJob(job)
  },
  'pedal-felt': () =>
    wholeJob(
      by('parcel-van', 'two-person', 'pump-and-hold').do({
        type: 'pedal-felt',
        biteMm: 20,
        firmMm: 70,
        bottomMm: 90,
        sinkMm: 6,
      }),
    ),
  'sheets-of-parts': () =>
    wholeJob(
      by('parcel-van', 'two-person', 'pump-and-hold')
        .do(sheet('brake', 'front left brake', { piston: 'bright', groove: 'clean' }))
        .do({ ...sheet('brake', 'front left brake', { piston: 'pitted' }), fills: 1 })
        .do(sheet('line', 'rear feed', { rust: 'on-the-surface' }))
        .do({
          type: 'line-declined',
          line: 'sheet brake front left brake spare-caliper',
          says: { code: 'spare-caliper' },
          note: 'the owner brings one',
        })
        .do({
          type: 'line-declined',
          line: 'sheet brake front left brake buy-washers',
          says: { code: 'buy-washers' },
          note: 'a slip',
        })
        .do({
          type: 'line-declined',
          line: 'sheet brake front left brake buy-washers',
          says: { code: 'buy-washers' },
          wanted: true,
          note: '',
        }),
    ),
  'taken-back': () => wholeJob(passedOver(3).undo().undo()),
}

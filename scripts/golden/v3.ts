import type { ScriptedJob } from '~test/worlds/scripted-job'
import { by, parked, pointNow, resumed, wholeJob } from './acting'

/** A two-person bleed with so many pulls passed over, the pedal up. */
const passedOver = (pulls: number, technique: 'pump-and-hold' | 'press-through' = 'pump-and-hold') => {
  const job = by('parcel-van', 'two-person', technique)
  return job.until(({ run }) => run.call === 'rest' && job.point(pointNow(job))?.unseen?.pulls === pulls)
}
const look = (job: ScriptedJob, ml: number, bubbles: 'none' | 'string' = 'none') =>
  job.do({ type: 'pull-seen', ml, colour: 'brown', bubbles })

/** What the third version records beside the second: pulls that were passed over, and looks that speak for several. */
export const thirdVersion: Record<string, () => ScriptedJob> = {
  'pulls-passed-over': () => wholeJob(by('parcel-van', 'two-person', 'pump-and-hold')),
  'pressed-through-and-passed-over': () => wholeJob(passedOver(2, 'press-through')),
  'looked-at-before-it-was-asked': () => wholeJob(look(passedOver(3).call('press'), 21)),
  'less-than-was-counted': () => wholeJob(look(passedOver(3), 6)),
  'slipped-after-pulls-passed-over': () =>
    wholeJob(look(passedOver(3).call('press', 'holding', 'open', 'foot-slipped', 'close'), 40, 'string')),
  'parked-with-pulls-passed-over': () => wholeJob(look(passedOver(2).do(parked()).do(resumed()), 17)),
  'taken-back': () => wholeJob(passedOver(3).undo().undo()),
}

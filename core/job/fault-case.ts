import type { Case } from '../diagnosis/request'
import { placeIds } from '../diagnosis/where'
import type { FaultFinding } from './events/fault-looked'
import { bleedDone } from './selectors'
import type { JobState } from './state'

type Known = Pick<JobState, 'vehicle' | 'checkIn' | 'run' | 'standing' | 'openedAt'>

/**
 * The case that a job makes: what was opened and bled on it counts as what was done before, and so does what was done on
 * the job that it came back from.
 *
 * @param earlier that job: a part that was new then is suspected less, and no less than a new one may be
 */
export function faultCase(job: Known, finding: FaultFinding, earlier?: Known): Case {
  const { vehicle, checkIn, openedAt } = job
  const both = [earlier, job]
  const opened = known(both, 'opened')
  const replaced = known(both, 'replaced')
  const bled = bleedDone(job) || (earlier !== undefined && bleedDone(earlier) && !handsOn(checkIn))
  const touched = opened.length + replaced.length > 0
  return {
    vehicle,
    complaint: finding.complaint,
    history: {
      opened,
      replaced,
      ...(touched && { bledSince: bled }),
      ...(bled && { fullyBled: true }),
      ...(vehicle.modelYear !== undefined && {
        ageYears: Math.max(0, Number(openedAt.slice(0, 4)) - vehicle.modelYear),
      }),
    },
    found: finding.found,
    tried: finding.tried,
    costs: { parts: {} },
  }
}

/**
 * A search that goes on with what was seen since: a look that was made again counts as it is now, and what was taken for
 * the fault was mended in vain if somebody still complains.
 */
export function goesOn(before: FaultFinding | undefined, now: FaultFinding): FaultFinding {
  if (before?.complaint !== now.complaint) return now
  const again = new Set(now.found.map(({ check }) => check))
  const tried = [...before.tried, ...(before.was === undefined ? [] : [before.was]), ...now.tried]
  return {
    complaint: now.complaint,
    found: [...before.found.filter(({ check }) => !again.has(check)), ...now.found],
    tried: [...new Set(tried)],
  }
}

/** Ids of parts and lines of this vehicle that were opened or replaced on either job. */
function known(jobs: readonly (Known | undefined)[], what: 'opened' | 'replaced'): string[] {
  const vehicle = jobs.at(-1)?.vehicle
  const ids = vehicle ? placeIds(vehicle) : new Set<string>()
  return [...new Set(jobs.flatMap((job) => job?.checkIn?.work[what] ?? []))].filter((id) => ids.has(id))
}

/** Whether this job opens something itself. */
const handsOn = (checkIn: Known['checkIn']): boolean =>
  [...(checkIn?.work.opened ?? []), ...(checkIn?.work.replaced ?? [])].length > 0

import type { Complaint } from '../diagnosis/complaints'
import type { Case } from '../diagnosis/request'
import { lineId } from '../rig/parts/line'
import type { FaultFinding } from './events/fault-looked'
import { bleedDone } from './selectors'
import type { JobState } from './state'

type Known = Pick<JobState, 'vehicle' | 'checkIn' | 'run' | 'standing' | 'openedAt'> & {
  faultFinding?: FaultFinding
}

/**
 * The case that a job makes: what was opened and bled on it counts as what was done before, and so does what was done on
 * the job that it came back from.
 *
 * @param earlier that job: a part that was new then is suspected less, and no less than a new one may be
 */
export function faultCase(
  job: Known,
  { earlier, complaint = 'soft-pedal' }: { earlier?: Known; complaint?: Complaint } = {},
): Case {
  const { vehicle, checkIn, faultFinding, openedAt } = job
  const both = [earlier, job]
  const opened = known(both, 'opened')
  const replaced = known(both, 'replaced')
  const bled = bleedDone(job) || (earlier !== undefined && bleedDone(earlier) && !handsOn(checkIn))
  const touched = opened.length + replaced.length > 0
  return {
    vehicle,
    complaint: faultFinding?.complaint ?? complaint,
    history: {
      opened,
      replaced,
      ...(touched && { bledSince: bled }),
      ...(bled && { fullyBled: true }),
      ...(vehicle.modelYear !== undefined && {
        ageYears: Math.max(0, Number(openedAt.slice(0, 4)) - vehicle.modelYear),
      }),
    },
    found: faultFinding?.found ?? [],
    tried: faultFinding?.tried ?? [],
    costs: { parts: {} },
  }
}

/** Ids of parts and lines of this vehicle that were opened or replaced on either job. */
function known(jobs: readonly (Known | undefined)[], what: 'opened' | 'replaced'): string[] {
  const vehicle = jobs.at(-1)?.vehicle
  const ids = new Set([...(vehicle?.parts.map(({ id }) => id) ?? []), ...(vehicle?.lines.map(lineId) ?? [])])
  return [...new Set(jobs.flatMap((job) => job?.checkIn?.work[what] ?? []))].filter((id) => ids.has(id))
}

/** Whether this job opens something itself. */
const handsOn = (checkIn: Known['checkIn']): boolean =>
  [...(checkIn?.work.opened ?? []), ...(checkIn?.work.replaced ?? [])].length > 0

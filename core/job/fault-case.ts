import type { Complaint } from '../diagnosis/complaints'
import type { Case } from '../diagnosis/request'
import { bleedDone } from './selectors'
import type { JobState } from './state'

type Known = Pick<JobState, 'vehicle' | 'checkIn' | 'run' | 'standing' | 'faultFinding' | 'openedAt'>

/** The case that a job makes: what was opened and bled on it counts as what was done before. */
export function faultCase(job: Known, complaint: Complaint = 'soft-pedal'): Case {
  const { vehicle, checkIn, faultFinding, openedAt } = job
  const work = checkIn?.work
  const bled = bleedDone(job)
  const opened = work?.opened ?? []
  const replaced = work?.replaced ?? []
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

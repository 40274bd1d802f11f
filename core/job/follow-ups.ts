import { dayNumber, isoDate } from '../base/day'
import { type Fact, fact } from '../base/decision'
import type { Complaint } from '../diagnosis/complaints'
import type { Found } from '../diagnosis/request'
import { wheelsOff } from '../plan/wheels-off'
import { partsOf } from '../vehicle/parts'
import { sheetKey } from './events/sheet-filled'
import { bleedDone } from './selectors'
import type { JobState } from './state'

/** Something that is looked at once more after the vehicle has left. */
type FollowUpKind = {
  id: string
  /** Days after it was filed. @source common practice for what, from memory for when */
  afterDays: number
  applies: (job: JobState) => boolean
  /** Where the search for the fault begins if it is not good. */
  complaint?: Complaint
  found?: readonly Found[]
}

const cylinderInHand = ({ vehicle, checkIn, sheets = {} }: JobState): boolean => {
  const ids = partsOf(vehicle, 'master-cylinder').map(({ id }) => id)
  const touched = [...(checkIn?.work.opened ?? []), ...(checkIn?.work.replaced ?? [])]
  return ids.some(
    (id) => touched.includes(id) || sheets[sheetKey({ sheet: 'cylinder', place: id })]?.verdict !== undefined,
  )
}

/** A new one is one entry here and its words. */
const kinds: readonly FollowUpKind[] = [
  { id: 'level', afterDays: 7, complaint: 'low-level', applies: bleedDone },
  {
    id: 'pedal',
    afterDays: 7,
    complaint: 'lost-after-standing',
    found: [{ check: 'stood', result: 'gone' }],
    applies: cylinderInHand,
  },
  {
    id: 'wheel-nuts',
    afterDays: 7,
    applies: ({ vehicle, checkIn }) => wheelsOff(vehicle, checkIn?.work ?? {}).length > 0,
  },
  { id: 'second-flush', afterDays: 28, applies: ({ checkIn }) => checkIn?.work.reason === 'conversion' },
]

/** One of them as it stands: when it is due, and what came of it. */
export type FollowUp = { id: string; dueOn: string; good?: boolean; doneOn?: string }

export const followUpFact = (id: string): Fact => fact(`follow-up-${id}`)

/** What is looked at again if it leaves as fit on this day. */
export const followUpsFrom = (job: JobState, day: string): { id: string; dueOn: string }[] =>
  kinds
    .filter(({ applies }) => applies(job))
    .map(({ id, afterDays }) => ({ id, dueOn: isoDate(dayNumber(day) + afterDays) }))

/** What was promised when a job was filed, with what came of it: the last word counts. */
export const followUpsOf = ({ filed, addenda }: Pick<JobState, 'filed' | 'addenda'>): FollowUp[] =>
  (filed?.followUps ?? []).map((each) => {
    const last = addenda.findLast(({ followUp }) => followUp?.id === each.id)
    return last?.followUp ? { ...each, good: last.followUp.good, doneOn: last.at.slice(0, 10) } : each
  })

/** What a job that it comes back for begins to search with; undefined where there is nothing to search. */
export function searchAfter(
  id: string,
): { complaint: Complaint; found: Found[]; tried: string[] } | undefined {
  const { complaint, found = [] } = kinds.find((kind) => kind.id === id) ?? {}
  return complaint && { complaint, found: [...found], tried: [] }
}

import { type Applied, refuse } from './applied'
import type { EventOf } from './events'
import { checksFor } from './proofs/checks'
import { bleedDone, type JobState } from './state'

/** Filing freezes the record. Fit to drive takes every proof; declined, hands that never began; the rest is not fit. */
export function filed(state: JobState, event: EventOf<'filed'>): Applied {
  const done: Applied = { ok: true, state: { ...state, filed: event } }
  const { run } = state
  if (event.checkedBy && event.checkedBy.id === event.by?.id)
    return refuse('checked-by-same', 'Checked by is another person, or nobody.')
  switch (event.outcome) {
    case 'declined':
      if (event.note.trim() === '') return refuse('note-missing', 'Write down what the customer said.')
      if (run?.plateConfirmed || state.earlier.length > 0)
        return refuse(
          'bleed-begun',
          'The bleed has begun, so it can only be filed as fit or not fit to drive.',
        )
      return done
    case 'kept':
      if (!state.tested) return refuse('not-tested', 'Test the fluid before it is filed as kept.')
      if (run?.plateConfirmed || state.earlier.length > 0)
        return refuse(
          'bleed-begun',
          'The bleed has begun, so it can only be filed as fit or not fit to drive.',
        )
      if (state.checkIn?.work.reason !== 'service')
        return refuse(
          'not-a-service',
          'Only a routine exchange can end with the fluid kept: this came in for more.',
        )
      return done
    case 'not-fit':
      // Left with something open it may be, on a transporter: but only parked, with what stands open named.
      if (run && run.call !== 'rest' && !state.parked)
        return refuse(
          'bleeder-open',
          'A call is under way: close the bleeder, or park it with what stands open.',
        )
      return done
    case 'fit':
      return fitToDrive(state, done)
  }
}

function fitToDrive(state: JobState, done: Applied): Applied {
  if (state.parked) return refuse('job-parked', 'This job is parked: confirm how it stands first.')
  if (!state.run || !bleedDone(state.run))
    return refuse('not-bled', 'The bleed is not finished: it cannot be filed as fit to drive.')
  const unproved = checksFor(state).filter((check) => !state.proofs[check.id]?.passed)
  if (unproved.length === 0) return done
  const titles = unproved.map((check) => check.title).join(', ')
  return refuse('not-proved', `Not proved yet: ${titles}. It cannot be filed as fit to drive.`)
}

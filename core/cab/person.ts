import type { Person } from '../job/events'

/** Whoever sits there: a phone is linked to the cab of a job, not to a person. */
export const cabPerson: Person = { id: 'cab', name: 'Cab' }

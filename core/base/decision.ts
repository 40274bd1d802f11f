/** Where a figure or a rule comes from; the page shows it beside every reason. */
export type Basis = 'standard' | 'physics' | 'maker' | 'practice' | 'default'

/** Why something was decided: a stable code, a sentence for a person, and where it comes from. */
export type Reason = { code: string; text: string; basis: Basis }

/** Something to be settled or minded, without a basis of its own. */
export type Notice = { code: string; text: string }

/** A result together with why it is so. */
export type Decision<T> = { value: T; reasons: Reason[] }

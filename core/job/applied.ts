import type { Notice } from '../base/decision'
import type { JobState } from './state'

/** The state after an event, or why the event cannot be. */
export type Applied = { ok: true; state: JobState } | { ok: false; refusal: Notice }

export const refuse = (code: string, text: string): Applied => ({ ok: false, refusal: { code, text } })

/** `dark`: its screen went off or to another page, which a phone says before it goes quiet. */
export type PhoneLink = 'none' | 'linked' | 'late' | 'lost' | 'dark'

/** How the phone in the cab stands: whether it is heard of, and which turn of the call it shows. */
export type Phone = { link: PhoneLink; shows: number }

export const noPhone: Phone = { link: 'none', shows: 0 }

/** One is linked that nothing was heard of yet: whatever it shows, it does not agree. */
export const phoneNotYetHeard: Phone = { link: 'late', shows: -1 }

/** Not heard of: nobody at the wheel knows what it shows. */
export const isUnheard = ({ link }: Phone): boolean => link === 'lost' || link === 'dark'

/**
 * Whether a joint may be opened, or the pedal called down, as far as the phone is concerned: it shows the job as it is
 * now. A phone that is behind might still show RELEASE of the pull before, and a foot that came up at that word would
 * do so with the bleeder open.
 *
 * @param turn of the call as the job has it
 */
export const phoneAgrees = (phone: Phone, turn: number): boolean =>
  phone.link === 'none' || (!isUnheard(phone) && phone.shows >= turn)

/**
 * Whether what follows by itself is called now, as soon as the phone in the cab shows the job as it is, or no more. Once
 * the phone is not heard nobody knows who sits there: what was waited for does not come minutes later, when it is.
 *
 * @param turn of the call as the job has it
 */
export function callsItself(phone: Phone, turn: number): 'now' | 'soon' | 'no' {
  if (phone.link === 'none' || isUnheard(phone)) return 'no'
  return phoneAgrees(phone, turn) ? 'now' : 'soon'
}

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
 * Whether a joint may be opened, or the pedal called down by a tap, as far as the phone is concerned: it shows the job as
 * it is now. A phone that is behind might still show RELEASE of the pull before, and a foot that came up at that word would
 * do so with the bleeder open.
 *
 * @param turn of the call as the job has it
 */
export const phoneAgrees = (phone: Phone, turn: number): boolean =>
  phone.link === 'none' || (!isUnheard(phone) && phone.shows >= turn)

/**
 * Whether what follows by itself, the next press, is called now, as soon as the phone in the cab is heard again, or no more.
 * Once it is lost nobody knows who sits there: what was waited for does not come minutes later.
 *
 * A phone that is heard need not show the newest word yet: the press reaches it as the next one, and nothing is opened
 * before it shows that. Only an opening rests on what it shows.
 *
 * @param turn of the call as the job has it
 */
export function callsItself(phone: Phone, turn: number): 'now' | 'soon' | 'no' {
  if (phone.link === 'none' || isUnheard(phone)) return 'no'
  // One that was linked in mid-call and has shown nothing of it yet is waited for.
  const hasShown = phone.shows > 0
  return (phone.link === 'linked' && hasShown) || phoneAgrees(phone, turn) ? 'now' : 'soon'
}

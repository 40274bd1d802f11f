/** How far along the work a bleeder is; told by shape and word as well as by fill. */
export type BleederMark = {
  id: string
  label: string
  state: 'waiting' | 'current' | 'open' | 'done' | 'out'
}

export const stateWords: Record<BleederMark['state'], string> = {
  waiting: 'waits',
  current: 'now',
  open: 'open',
  done: 'done',
  out: 'not in this work',
}

const initials = (id: string) =>
  id
    .split(/[\s-]+/)
    .map((word) => (word === word.toUpperCase() ? word : (word[0] ?? '').toUpperCase()))
    .join('')

/** Short names for the map: the ids where they are short, else initials, else numbers. */
export function shortLabels(ids: readonly string[]): string[] {
  if (ids.every((id) => id.length <= 3)) return [...ids]
  const short = ids.map((id) => initials(id).slice(0, 3))
  return new Set(short).size === ids.length ? short : ids.map((_, i) => String(i + 1))
}

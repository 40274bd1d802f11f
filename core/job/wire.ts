import type { JobState, Undoable, UndoKey } from './state'

/** How one value becomes another: put whole, or changed where it differs. Left out where it stays. */
export type Patch =
  | { put: unknown }
  | { gone: true }
  | { in: Record<string, Patch> }
  | { at: Record<string, Patch>; length: number }

/** What an act changed, as what puts it back. */
type Back = { eventId: string; type: Undoable['type']; back: { [K in UndoKey]?: Patch | null } }

/** A job as it travels: what can be taken back is sent as what puts it back, not as whole copies of what stood before. */
export type WireJob = Omit<JobState, 'undoable'> & { undoable: Back[] }

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** What turns `from` into `to`; undefined where they are the same. A property that is undefined is one that is absent. */
export function patchOf(from: unknown, to: unknown): Patch | undefined {
  if (from === to) return undefined
  if (to === undefined) return { gone: true }
  if (Array.isArray(from) && Array.isArray(to)) {
    const at: Record<string, Patch> = {}
    for (const [i, value] of to.entries()) {
      const patch = i < from.length ? patchOf(from[i], value) : { put: value }
      if (patch) at[i] = patch
    }
    return Object.keys(at).length === 0 && from.length === to.length ? undefined : { at, length: to.length }
  }
  if (isObject(from) && isObject(to)) {
    const changed: Record<string, Patch> = {}
    for (const key of new Set([...Object.keys(from), ...Object.keys(to)])) {
      const patch = patchOf(from[key], to[key])
      if (patch) changed[key] = patch
    }
    return Object.keys(changed).length === 0 ? undefined : { in: changed }
  }
  return { put: to }
}

/** `from` with a patch of it; it is left as it was. */
export function applyPatch(from: unknown, patch: Patch | undefined): unknown {
  if (!patch) return from
  if ('put' in patch) return patch.put
  if ('gone' in patch) return undefined
  if ('at' in patch) {
    const before = from as unknown[]
    return Array.from({ length: patch.length }, (_, i) => applyPatch(before[i], patch.at[i]))
  }
  const next = { ...(from as Record<string, unknown>) }
  for (const [key, each] of Object.entries(patch.in)) {
    const value = applyPatch(next[key], each)
    if (value === undefined) delete next[key]
    else next[key] = value
  }
  return next
}

/**
 * A job made ready to travel. Acts that can be taken back follow one another without a gap, so what stood before each
 * is told by how it differs from what stood after it, the newest first.
 */
export function toWire({ undoable, ...state }: JobState): WireJob {
  let after: Partial<JobState> = state
  const backs: Back[] = []
  for (const { eventId, type, keys, before } of [...undoable].reverse()) {
    const now = after
    // A key whose value is put back unchanged in content is still one that the act touched.
    const back = Object.fromEntries(keys.map((key) => [key, patchOf(now[key], before[key]) ?? null]))
    backs.unshift({ eventId, type, back })
    after = { ...after, ...before }
  }
  return { ...state, undoable: backs }
}

/** The job that travelled. */
export function fromWire({ undoable, ...state }: WireJob): JobState {
  let after: Partial<JobState> = state
  const entries: Undoable[] = []
  for (const { eventId, type, back } of [...undoable].reverse()) {
    const keys = Object.keys(back) as UndoKey[]
    const now = after
    const before = Object.fromEntries(keys.map((key) => [key, applyPatch(now[key], back[key] ?? undefined)]))
    entries.unshift({ eventId, type, keys, before } as Undoable)
    after = { ...after, ...before }
  }
  return { ...state, undoable: entries }
}

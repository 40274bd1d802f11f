/** A piece of the way fluid takes, in order from the reservoir: what it holds. */
export type Piece = { key: string; ml: number }

/**
 * How far new fluid has come, if none of it mixed: each piece passes on its old fluid first. The true front is blurred
 * around this one, which is where half of it is (plug flow, the middle of any real spread).
 *
 * @param newMl what each piece holds of new fluid by now, by its key; a piece that is not in it holds none
 * @returns the same after `pushedMl` of new fluid have gone in at the first piece; never more than a piece holds
 * @source conservation of volume
 */
export function pushPlug(
  pieces: readonly Piece[],
  newMl: Readonly<Record<string, number>>,
  pushedMl: number,
): Record<string, number> {
  const next = { ...newMl }
  let comesMl = pushedMl
  for (const { key, ml } of pieces) {
    if (comesMl <= 0) break
    const before = newMl[key] ?? 0
    const after = Math.min(ml, before + comesMl)
    next[key] = after
    comesMl -= after - before
  }
  return next
}

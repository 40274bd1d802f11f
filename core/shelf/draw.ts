/** What came of pouring: out of the container, and what was poured though by the book it held no more. */
export type Drawn = { drawnMl: number; shortMl: number }

/**
 * So much poured from a container that by the book holds so much. A container never goes below nothing: what was
 * poured beyond it was really poured, and is kept apart as not from this book.
 */
export function draw(leftMl: number, pouredMl: number): Drawn {
  const drawnMl = Math.min(Math.max(0, leftMl), pouredMl)
  return { drawnMl, shortMl: pouredMl - drawnMl }
}

/** A pour taken back: into the containers it came from, the last first; what was never from the book goes nowhere. */
export function giveBack(
  backMl: number,
  drawn: readonly { code: string; ml: number }[],
): { code: string; ml: number }[] {
  const given: { code: string; ml: number }[] = []
  let left = backMl
  for (const each of [...drawn].reverse()) {
    const ml = Math.min(left, each.ml)
    if (ml > 0) given.push({ code: each.code, ml })
    left -= ml
  }
  return given
}

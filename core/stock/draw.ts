/** Nobody reads off a container more closely: less than this beyond the book is no question. @source from memory */
export const BOOK_ML = 10

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

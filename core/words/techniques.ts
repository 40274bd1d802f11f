import type { Words } from './say'

/** What a person is told of one way of bleeding. */
export type TechniqueWords = {
  name: string
  /** What it rests on when it is the one taken. */
  why: string
  /** One round of it at one place, in order, for paper. */
  round: readonly string[]
  /** When a place is done. */
  done: string
  /** What usually goes wrong with it. */
  mistakes: readonly string[]
}

/** Codes of one technique’s words. */
export const techniqueWords = (id: string, { name, why, round, done, mistakes }: TechniqueWords): Words => ({
  [`technique-${id}`]: name,
  [`technique-${id}-why`]: why,
  [`technique-${id}-round`]: round.join(' '),
  [`technique-${id}-done`]: done,
  [`technique-${id}-mistakes`]: mistakes.join(' '),
})

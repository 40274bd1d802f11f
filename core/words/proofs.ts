import type { Words } from './say'

export type ProofWords = { title: string; how: string; fails: string; measure?: string }

/** Codes of one proof’s words. */
export const proofWords = (id: string, { title, how, fails, measure }: ProofWords): Words => ({
  [`proof-${id}`]: title,
  [`proof-${id}-how`]: how,
  [`proof-${id}-fails`]: fails,
  ...(measure !== undefined && { [`proof-${id}-measure`]: measure }),
})

/** Where the other figure comes from. */
export type CheckKind = 'published, recalled' | 'library' | 'closed form'

/** One figure of ours against one from outside the project. */
export type Check = {
  calculator: string
  what: string
  kind: CheckKind
  source: string
  ours: number
  theirs: number
  /** Largest difference that counts as the same, as a share of theirs. */
  withinShare: number
}

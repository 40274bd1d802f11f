/** Where a figure or a rule comes from; the page shows it beside every reason. */
export const bases = ['standard', 'physics', 'maker', 'practice', 'default'] as const
export type Basis = (typeof bases)[number]

/** What fills a sentence: amounts in metric with their unit in the name, names, and facts that are said inside it. */
export type Param = string | number | boolean | undefined | Fact | readonly (string | number | Fact)[]
export type Params = { readonly [name: string]: Param }

/**
 * Something the program has to say: a stable code and what fills its sentence. `words/` makes the sentence, in the
 * reader's units. `text` stands only in what an earlier version recorded: then it is said as it was written.
 */
export type Fact = { code: string; params?: Params; text?: string }

/** Why something was decided, and where that comes from. */
export type Reason = Fact & { basis: Basis }

/** A result together with why it is so. */
export type Decision<T> = { value: T; reasons: Reason[] }

export const fact = (code: string, params?: Params): Fact => (params ? { code, params } : { code })
export const reason = (code: string, basis: Basis, params?: Params): Reason => ({
  ...fact(code, params),
  basis,
})

/** Something to be settled or minded, without a basis of its own. */
export type Notice = Fact

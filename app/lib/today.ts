/** The day it is now, in UTC, which every date here is kept in. */
export const today = (): string => new Date().toISOString().slice(0, 10)

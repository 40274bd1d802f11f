/** In the shop’s own money, to the nearest whole. */
export const money = (amount: number): string => (amount < 0.5 ? 'nothing' : String(Math.round(amount)))

/** A share as it is read; one that is not nothing never reads as nothing. */
export const percent = (share: number): string =>
  share > 0 && share < 0.01 ? 'under 1 %' : `${Math.round(100 * share)} %`

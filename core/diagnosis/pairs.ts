/**
 * Causes that come together: of vehicles with either of them, so many per cent have both.
 * @source common practice for which; how often is from memory
 */
export const pairs: readonly { both: readonly [string, string]; pct: number }[] = [
  { both: ['air-lines', 'cylinder-bypass'], pct: 8 },
  { both: ['air-lines', 'air-unit'], pct: 8 },
  { both: ['air-lines', 'outside-leak'], pct: 12 },
  { both: ['air-lines', 'shoes-out'], pct: 5 },
  { both: ['hose-closed', 'brake-seized'], pct: 10 },
  { both: ['outside-leak', 'pad-wear'], pct: 8 },
  { both: ['brake-seized', 'fluid-boils'], pct: 10 },
  { both: ['hose-closed', 'fluid-boils'], pct: 5 },
]

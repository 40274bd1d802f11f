/** Parts that a repair may need. */
export const partKeys = [
  'master-cylinder',
  'control-unit',
  'hose',
  'caliper',
  'wheel-cylinder',
  'line',
  'bleeder',
  'booster',
  'pads',
  'kit',
  'level-sensor',
  'clutch',
] as const
export type PartKey = (typeof partKeys)[number]

/** What costs are reckoned with where a shop has not said its own, in its money. @source from memory */
export const usualCosts = {
  labourPerHour: 60,
  fluidPerLitre: 16,
  /** A vehicle that comes back unmended: fetched, looked at again, the customer's day. */
  comeback: 200,
  /** The proof that shows that it was not that. */
  proofMinutes: 15,
  parts: {
    'master-cylinder': 150,
    'control-unit': 1000,
    hose: 30,
    caliper: 120,
    'wheel-cylinder': 25,
    line: 40,
    bleeder: 8,
    booster: 250,
    pads: 60,
    kit: 35,
    'level-sensor': 25,
    clutch: 180,
  } satisfies Record<PartKey, number>,
}

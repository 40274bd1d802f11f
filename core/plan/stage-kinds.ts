export const stageKinds = [
  'reservoir-exchange',
  'wipe-reservoir',
  'slow-fill',
  'bench-bleed',
  'port-bleed',
  'bleed',
  'control-unit',
  'leak-check',
  'wait',
  'prove',
] as const
export type StageKind = (typeof stageKinds)[number]

/** What is true of a kind of stage, so that nobody has to ask which one it is. */
export type StageTraits = {
  /** Where its hands are: bleeders in order, the cylinder's ports before them, the cylinder in the vice, or no joint. */
  worksAt: 'bleeders' | 'ports' | 'cylinders' | 'nothing'
  /** Whether what comes out must also be of new colour to count as clean. */
  colourCounts: boolean
  /** After it the reservoir holds new fluid: before that, colour tells nothing of how far a bleeder has come. */
  bringsNew?: true
  /** Pulls without air in a row that end a place, where that is not the maker's or the shop's number. @source from memory */
  solidPulls?: number
  /** Whether it can go on another way in mid-work. */
  waysOpen: boolean
  /**
   * Whether the reservoir's level is anybody's guess after it: fluid was lost at nuts, drawn by a pump, pressed in by a
   * machine, or sank as air rose. The next who draws from it looks first.
   */
  disturbsLevel: boolean
  /** Every joint that was opened is looked at in it. */
  looksAtJoints?: true
}

const nothing: StageTraits = {
  worksAt: 'nothing',
  colourCounts: false,
  waysOpen: false,
  disturbsLevel: false,
}
const disturbed = { ...nothing, disturbsLevel: true }

export const stageTraits: Record<StageKind, StageTraits> = {
  'reservoir-exchange': { ...nothing, bringsNew: true },
  'wipe-reservoir': { ...nothing, bringsNew: true },
  'slow-fill': { ...nothing, bringsNew: true },
  'bench-bleed': { ...disturbed, worksAt: 'cylinders' },
  'port-bleed': { ...disturbed, worksAt: 'ports', solidPulls: 2, waysOpen: true },
  bleed: { ...nothing, worksAt: 'bleeders', colourCounts: true, waysOpen: true },
  'control-unit': { ...disturbed, worksAt: 'bleeders', colourCounts: true },
  'leak-check': { ...disturbed, looksAtJoints: true },
  wait: disturbed,
  prove: nothing,
}

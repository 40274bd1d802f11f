/** How the fluid looks: a ladder from new to black, then the odd tints. */
export const colours = [
  'new',
  'amber',
  'brown',
  'dark',
  'black',
  'green',
  'purple',
  'cloudy',
  'gritty',
] as const
export type Colour = (typeof colours)[number]

/** Bubbles in the hose, by picture. */
export const bubbleKinds = ['none', 'froth', 'string', 'slug'] as const
export type Bubbles = (typeof bubbleKinds)[number]

/** What a colour makes one think of: a clue, never a measurement. `wrongFluid` asks for a drop-in-water check first. */
type Clue = { name: string; text: string; wrongFluid?: true }

/** @source common practice */
export const colourClues: Record<Colour, Clue> = {
  new: { name: 'As new', text: 'As new. Colour is no moisture reading: test it all the same.' },
  amber: { name: 'Amber', text: 'Little used. Colour is no moisture reading.' },
  brown: { name: 'Brown', text: 'Heat and age.' },
  dark: { name: 'Dark brown', text: 'Heat, age and rubber.' },
  black: { name: 'Black', text: 'Heat, age and worn rubber: look at the seals.' },
  green: {
    name: 'Green tint',
    text: 'Dissolved copper, or mineral oil. Drop some in water: glycol mixes, oil floats.',
    wrongFluid: true,
  },
  purple: {
    name: 'Purple or red layer',
    text: 'Silicone may be in the system. Drop some in water: glycol mixes, silicone floats.',
    wrongFluid: true,
  },
  cloudy: {
    name: 'Cloudy',
    text: 'Fine air, or two kinds that do not mix. Let it stand; drop some in water.',
    wrongFluid: true,
  },
  gritty: {
    name: 'Grit or sludge',
    text: 'Empty the reservoir and wipe it with lint-free cloth before anything is pushed through.',
  },
}

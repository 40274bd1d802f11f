import { type Fact, fact } from '../../base/decision'

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

/** Colours that ask for a drop-in-water check before anything is poured. @source common practice */
export const wrongFluidColours: ReadonlySet<Colour> = new Set(['green', 'purple', 'cloudy'])

/** What a colour is called, and what it makes one think of: a clue, never a measurement. */
export const colourFact = (colour: Colour): Fact => fact(`colour-${colour}`)
export const colourClue = (colour: Colour): Fact => fact(`colour-clue-${colour}`)

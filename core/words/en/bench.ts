import type { Words } from '../say'

/** What the pages of the Bench and their calculators make of what was measured. */
export const bench: Words = {
  'boiling-beyond-model':
    'Beyond {endsPct} water nothing is known but the range: what binds the water runs short there. Replace it; the figure decides nothing more.',
  'feel-too-few':
    'Three different efforts at least: with fewer, air and swelling cannot be told apart. A fourth shows whether they fit.',
  'feel-none-light':
    'One effort must be light, below {lightKPa} in the line: above it nearly all the air is squeezed away already and looks like clearance.',
  'feel-too-alike': 'The efforts lie too close together to tell anything apart: spread them.',
  'feel-no-fit':
    'Air, swelling and clearance together do not make these travels, within what rule and gauge are off: a booster that still works, shoes or pads that stick, or a reading written down wrong. Take them again.',
  'feel-below-nothing':
    'To make these travels, air, swelling or clearance would have to be less than nothing: travel that falls or bends the wrong way with effort is none of them. Take them again, booster used up, each from a pedal let go.',
  'feel-air-yes': 'More than {feltMl} of air: travel is curved with effort. Bleed the high points.',
  'feel-air-no': 'Less than {feltMl} of air, if any.',
  'feel-air-cannot-tell':
    'Air: cannot tell. Take a lighter effort, more efforts, or read travel and gauge closer.',
  'feel-swelling-yes':
    'More than {sound} mL for each MPa: hoses swell or a caliper flexes. Look at the hoses first.',
  'feel-swelling-no': 'Hoses and calipers give no more than a sound car’s.',
  'feel-swelling-cannot-tell':
    'Swelling: cannot tell. Take a harder effort, or read travel and gauge closer.',
  'feel-sink-yes':
    'It sinks under a steady foot: with every joint dry, the master cylinder lets past its own seals.',
  'feel-sink-no': 'It holds under a steady foot.',
  'feel-sink-cannot-tell':
    'Sink: cannot tell. Hold it steady for 30 s, once lightly and once firmly, and measure how far it goes.',
}

import type { Words } from '../say'

/** What the pages of the Bench and their calculators make of what was measured. */
export const bench: Words = {
  'boiling-beyond-model':
    'Beyond {endsPct} water nothing is known but the range: what binds the water runs short there. Replace it; the figure decides nothing more.',
  'sides-alike':
    'Both sides run at the ratio of their lines, as near as this can be measured: no restriction shows between them.',
  'sides-not-below-half':
    'Neither side runs below half of what the other’s says it should: that is all. A hose that has begun to close would still pass; its return shows more.',
  'sides-left-slow':
    'The left side runs at less than half of what its line predicts beside the other: a hose closed up inside, a blocked bleeder or a pinched line. Test its return too: the wheel must free itself at once.',
  'sides-right-slow':
    'The right side runs at less than half of what its line predicts beside the other: a hose closed up inside, a blocked bleeder or a pinched line. Test its return too: the wheel must free itself at once.',
  'sides-both-slow':
    'Both run at less than half of what their lines predict: look upstream of them, at the pressure really there, cold fluid, or a cylinder that does not let it through.',
  'sides-cannot-tell':
    'It stays open whether one side is below half: catch more fluid from each, for longer, and compare again.',
  'sides-behind-unit':
    'Behind a control unit a sound wheel runs well below what its pipes predict, so only left against right is judged, and no bore is worked out.',
  'return-free': 'It flows and it frees: nothing in the way shows in either direction.',
  'return-one-way':
    'It flows out but the wheel does not free: crack the bleeder. Frees at once: the hose is a one-way flap, or the cylinder does not return. Does not: slide or piston is seized.',
  'return-closed-inside':
    'Little flows and the wheel does not free: the hose has closed up inside. Pressure still forces it, so it brakes, then drags.',
  'return-at-the-outlet':
    'Little flows and yet the wheel frees: look at the bleeder’s own hole and seat, then at the line.',
  'return-left': 'Left: {what}',
  'return-right': 'Right: {what}',
  'wait-then-slow': 'Stop, wait, then a few last slow strokes: fast pumping makes the froth.',
  'tube-marginal':
    'A bubble that fills the tube is at the limit: as good as stuck; flow has to carry it, so bleed the high points.',
  'tube-sticks':
    'A bubble that fills the tube stays where it is; flow has to carry it, so bleed the high points.',
  'tube-rises': 'A bubble that fills the tube rises by itself.',
  'beyond-stokes': 'So large a bubble rises slower than Stokes says: take the time as the least.',
  'typical-viscosity': 'A typical {spec}’s viscosity, from memory; a product’s own data sheet is better.',
  'pull-closed-first':
    'Closed while the foot is still down, nothing is open when the cylinder draws: it can only draw from its reservoir.',
  'pull-released-first':
    'While it is open the way from the bleeder is as short for the cylinder as the way from the reservoir: what stands at the hose’s end goes in, and that is air unless it is fluid or a valve.',
  'pull-says-close-first': 'Closed first, this pull moves {outMl} out and draws {airMl} of air in.',
  'pull-says-close-first-no-air': 'Closed first, this pull moves {outMl} out and draws no air.',
  'pull-says-release-first': 'Let go first, this pull ends with {outMl} out and {airMl} of air drawn in.',
  'pull-says-release-first-no-air':
    'Let go first, this pull ends with {outMl} out; fluid and not air came back from the hose.',
  'rig-from-memory': 'Springs, seals and stiffness are usual values from memory.',
  'unit-not-in-run':
    'Small passages inside a control unit are in no file: behind one it runs slower than this, cold or warm.',
  'balance-gap': 'The gap is above a tenth: a leak, a spill, or something not written down.',
  'balance-closes': 'What went in adds up within a tenth.',
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

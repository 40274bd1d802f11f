import type { Words } from '../say'

/** What each instrument is called in passing and where one is picked, and what a person should know of it. */
const testers: Words = {
  'tester-looked-at': 'a look',
  'tester-ohmmeter': 'ohmmeter',
  'tester-banded-pen': 'banded pen',
  'tester-degree-meter': 'meter showing degrees',
  'tester-percent-meter': 'percentage meter',
  'tester-copper-strip': 'copper strip',
  'tester-boiling-sampler': 'boiling sampler',
  'tester-banded-pen-title': 'Banded pen',
  'tester-banded-pen-says': 'Quick and rough: a lamp stands for a whole per cent.',
  'tester-boiling-sampler-title': 'Boiling sampler',
  'tester-boiling-sampler-says': 'Boils a sample and reads the temperature: the surest.',
  'tester-copper-strip-title': 'Copper strip',
  'tester-copper-strip-says':
    'Shows the age of the corrosion inhibitors by dissolved copper; says nothing of water.',
  'tester-degree-meter-title': 'Meter showing degrees, nothing boiled',
  'tester-degree-meter-says': 'Its degrees come from a table behind the conductance; nothing has boiled.',
  'tester-looked-at-title': 'Only looked at',
  'tester-looked-at-says':
    'Colour is a clue, never a measurement: it can ask for an exchange, never say keep.',
  'tester-ohmmeter-title': 'Ohmmeter',
  'tester-ohmmeter-says':
    'Of at least 10 MΩ, probes about 5 mm apart in the fluid. It can condemn, never pass.',
  'tester-percent-meter-title': 'Percentage meter',
  'tester-percent-meter-says': 'Shows tenths; good to about half a per cent.',
}

/** Why nothing came from the instrument. */
const lost: Words = {
  'tester-lost-no-tester': 'No tester answers here. Plug it in and read again, or type what it shows.',
  'tester-lost-silent':
    'The tester has gone quiet. Nothing was taken from it: look at its cable, then read again.',
  'tester-lost-unplugged':
    'The tester was unplugged before it had finished. Nothing was taken from it: plug it in and read again, or type what it shows.',
  'tester-lost-garbled': ({ said }) =>
    said
      ? `The tester said something that is not understood: “${said}”.`
      : 'What answers on the tester’s port is no tester.',
  'tester-lost-version': 'The tester speaks version {said} of its lines, this program another.',
  'tester-lost-unknown-kind': 'A kind of tester that is not known here: “{said}”.',
  'tester-lost-out-of-turn': 'The tester spoke out of turn. Read again.',
  'tester-lost-stopped': 'Stopped. Nothing was taken from the tester.',
  'tester-lost-own': 'The tester says: {said}',
}

/** How fluid looks, and what that makes one think of. */
const colours: Words = {
  'colour-new': 'As new',
  'colour-clue-new': 'As new. Colour is no moisture reading: test it all the same.',
  'colour-amber': 'Amber',
  'colour-clue-amber': 'Little used. Colour is no moisture reading.',
  'colour-brown': 'Brown',
  'colour-clue-brown': 'Heat and age.',
  'colour-dark': 'Dark brown',
  'colour-clue-dark': 'Heat, age and rubber.',
  'colour-black': 'Black',
  'colour-clue-black': 'Heat, age and worn rubber: look at the seals.',
  'colour-green': 'Green tint',
  'colour-clue-green': 'Dissolved copper, or mineral oil. Drop some in water: glycol mixes, oil floats.',
  'colour-purple': 'Purple or red layer',
  'colour-clue-purple': 'Silicone may be in the system. Drop some in water: glycol mixes, silicone floats.',
  'colour-cloudy': 'Cloudy',
  'colour-clue-cloudy': 'Fine air, or two kinds that do not mix. Let it stand; drop some in water.',
  'colour-gritty': 'Grit or sludge',
  'colour-clue-gritty':
    'Empty the reservoir and wipe it with lint-free cloth before anything is pushed through.',
}

/** Schools of when fluid is replaced, and of how long an opened container is used. */
const schools: Words = {
  'limit-rule-boiling': 'Boiling point above its wet minimum',
  'limit-rule-copper': 'Copper',
  'limit-rule-distance': 'Distance',
  'limit-rule-time': 'Time in service',
  'limit-rule-water': 'Water',
  'hard-use-mountain': 'mountain roads',
  'hard-use-towing': 'towing or full loads',
  'hard-use-track': 'track or blue-light driving',
  'opened-rule-same-job': 'Never kept: an opened one is for the job that opened it',
  'opened-rule-same-day': 'The day it was opened',
  'opened-rule-thirty-days': '30 days, tightly capped',
}

/** Drums of used fluid. */
const drums: Words = {
  'waste-glycol': 'Glycol',
  'waste-silicone': 'Silicone',
  'waste-mineral': 'Mineral oil',
  'waste-mixed': 'Mixed or unknown',
}

/** Kinds of what has to do with fluid, by name. */
export const fluidKinds: Words = { ...testers, ...lost, ...colours, ...schools, ...drums }

import type { Words } from '../say'

const names: Words = {
  'sheet-name-cylinder': 'Cylinder',
  'sheet-name-brake': 'Brake',
  'sheet-name-line': 'Line',
  'sheet-name-hose': 'Hose',
  'line-named': '{id}',
}

const fields: Words = {
  'sheet-pits': 'The bore, wiped and felt with a fingernail',
  'sheet-cups': 'Its cups',
  'sheet-kit': 'A kit of rubber for it',
  'sheet-kit-price': 'Price of the kit',
  'sheet-new-price': 'Price of a new one',
  'sheet-rebuild-minutes': 'Minutes to rebuild',
  'sheet-renew-minutes': 'Minutes to renew',
  'sheet-labour': 'An hour of hands',
  'sheet-rod-play': 'Play between pushrod and piston, once fitted',
  'sheet-stood': 'The pedal after a week of standing',
  'sheet-piston': 'The piston',
  'sheet-groove': 'Bore and seal groove',
  'sheet-boot': 'Dust boot',
  'sheet-slides': 'Slides',
  'sheet-bleeder': 'Bleeder',
  'sheet-touched': 'What its rubber has touched',
  'sheet-rust': 'The rust, scraped bright',
  'sheet-rust-from': 'Rust begins, from where the line begins',
  'sheet-rust-to': 'Rust ends',
  'sheet-clear': 'Sound tube beyond it',
  'sheet-couplers': 'Couplers in this line, by maker and local rules',
  'sheet-routed': 'New piece, measured along its way with a wire',
  'sheet-outer': 'Outside diameter of the tube',
  'sheet-flare': 'Flare of the old ends',
  'sheet-nuts': 'Its nuts',
  'sheet-soaked': 'Soaked and left',
  'sheet-hose-outside': 'The hose outside, bent in the hand and under pressure',
  'sheet-hose-runs': 'How it runs',
  'sheet-hose-years': 'Its age in years, by the date on it',
  'sheet-hose-other': 'The hose on the other side of the axle',
  'sheet-hose-fitting': 'Its end at the brake',
  'sheet-hose-clamped': 'The pedal with it clamped',
  'sheet-driven': 'Pressure that drove it',
  'sheet-caught': 'What came at its bleeder',
  'sheet-hose-length': 'Length of the new hose, where it is another',
}

const options: Words = {
  'option-bright': 'Bright all round',
  'option-stain-wipes-off': 'A stain that wipes off',
  'option-felt-by-a-nail': 'Pits a nail can feel',
  'option-sound': 'Sound',
  'option-worn': 'Worn or cut',
  'option-swollen': 'Swollen',
  'option-fits-this-bore': 'There is one for this bore',
  'option-another-bore': 'Only for another bore',
  'option-none': 'There is none',
  'option-firm': 'Firm',
  'option-gone': 'Gone or low',
  'option-marks-outside-the-seal': 'Marks outside the seal’s path',
  'option-pitted': 'Pitted',
  'option-clean': 'Clean',
  'option-rust-comes-out': 'Rust that comes out',
  'option-whole': 'Whole',
  'option-torn': 'Torn',
  'option-free': 'Free',
  'option-freed': 'Were stuck, free now',
  'option-seized': 'Seized',
  'option-turns': 'Turns',
  'option-turn': 'Turn',
  'option-snapped': 'Snapped',
  'option-brake-fluid-only': 'Brake fluid only',
  'option-oil-or-solvent': 'Oil, grease or solvent',
  'option-on-the-surface': 'On the surface only',
  'option-wet': 'Wet',
  'option-allowed': 'Allowed',
  'option-not-allowed': 'Not allowed',
  'option-double': 'Double, a funnel',
  'option-bubble': 'Bubble, a mushroom',
  'option-cracked': 'Cracked',
  'option-chafed': 'Chafed',
  'option-bulges': 'Bulges',
  'option-straight': 'As it should',
  'option-twisted': 'Twisted or tight',
  'option-as-old': 'As old as this',
  'option-newer': 'Newer',
  'option-no-other': 'There is none',
  'option-hollow-bolt': 'Hollow bolt, washers',
  'option-nut': 'Nut',
  'option-passes': 'It passes freely',
  'option-stops': 'It stops, or goes hard',
  'option-returns': 'Free at once',
  'option-does-not': 'No',
  'option-same': 'No different',
  'option-firms': 'Firm',
  'option-pushes-and-draws': 'Pushes, then draws back',
  'option-pushes-only': 'Pushes, draws nothing',
  'option-nothing': 'Nothing at all',
}

const verdicts: Words = {
  'verdict-reuse': 'Use it again as it is',
  'verdict-rebuild': 'Rebuild it',
  'verdict-renew': 'Renew it',
  'verdict-keep': 'Keep it',
  'verdict-free-slides': 'Keep it, with its slides cleaned and greased',
  'verdict-piece': 'Renew a piece of it',
  'verdict-whole': 'Renew it from fitting to fitting',
  'verdict-fit-again': 'Fit it again, without a twist',
  'verdict-renew-pair': 'Renew both of the axle',
}

const reasons: Words = {
  'sheet-gone-after-week': 'Good when it was fitted and gone after a week: its seals do not hold at rest.',
  'sheet-pits-felt': 'Pits that a nail can feel cut any cup that runs over them.',
  'sheet-cups-swollen':
    'Swollen cups mean a wrong fluid or oil in the system: look at every other part of rubber before anything is fitted.',
  'sheet-bore-bright': 'The bore is bright all round.',
  'sheet-bore-stain-wipes-off':
    'The stain wipes off with a lint-free cloth and brake fluid: no abrasive in an aluminium bore.',
  'sheet-cups-sound': 'Its cups are sound, it pushes and draws back.',
  'sheet-kit-another-bore': 'A kit for another bore never seals this one.',
  'sheet-kit-none': 'There is no kit for it: cups that were out are not put back.',
  'sheet-cheaper-rebuild': 'Both ways are sound: rebuilt it comes to {rebuild}, new to {renew}.',
  'sheet-cheaper-renew': 'Both ways are sound: new it comes to {renew}, rebuilt to {rebuild}.',
  'sheet-rod-right': 'The rod has {playMm} of play: the port is open at rest.',
  'sheet-piston-pitted': 'A pitted piston, or chrome that lifts, cuts its new seal.',
  'sheet-groove-pitted': 'Pits under the seal let fluid by, whatever seal lies on them.',
  'sheet-bleeder-snapped': 'What is left of a snapped bleeder seldom comes out whole.',
  'sheet-slides-seized': 'Slides that do not come free wear one pad and hold the wheel.',
  'sheet-rubber-touched': 'Oil, grease and solvent swell its rubber: all of it is renewed.',
  'sheet-boot-torn': 'A torn boot has let water to the piston.',
  'sheet-groove-cleaned': 'Rust came out of the groove: the seal that lay on it is not used again.',
  'sheet-piston-marks': 'Marks outside the seal’s path do no harm.',
  'sheet-brake-keep': 'Piston, groove, boot and slides are sound.',
  'sheet-brake-free-slides': 'The slides were all that held it.',
  'sheet-surface-rust': 'It scrapes bright and no pit is left.',
  'sheet-rust-pitted': 'Pits have taken wall that nobody can measure.',
  'sheet-rust-wet': 'It leaks there.',
  'sheet-no-couplers': 'Couplers are not allowed here.',
  'sheet-most-of-it': '{sharePct} of this tube is rust: the rest follows it.',
  'sheet-reaches-both': 'Rust comes near the fittings at both ends.',
  'sheet-patched': ({ couplers }) =>
    couplers === 1 ? 'One coupler, and the fitting at the other end.' : 'Two couplers in sound tube.',
  'sheet-flare-double': 'Double flares, as the old ones: never two kinds in one joint.',
  'sheet-flare-bubble': 'Bubble flares, as the old ones: never two kinds in one joint.',
  'sheet-hose-cracked': 'Cracked rubber.',
  'sheet-hose-chafed': 'Chafed: look what it rubs on before the new one goes there.',
  'sheet-hose-bulges': 'It bulges under pressure.',
  'sheet-hose-wet': 'It is wet.',
  'sheet-hose-closed': 'A wire does not pass: it has closed up inside.',
  'sheet-hose-keeps': 'The wheel stays held when the pedal is let go.',
  'sheet-hose-swells': 'The pedal firms up with this one clamped: it swells.',
  'sheet-hose-old': 'It is {years} years old; from {atYears} on one in hand is renewed.',
  'sheet-hose-choked':
    'By what came, {leftMm} of its {boreMm} bore is left, if all of it is lost along the hose.',
  'sheet-hose-pair': 'The other one is as old and has seen the same.',
  'sheet-hose-twisted': 'A twist closes it when the wheel turns.',
  'sheet-hose-keep': 'Nothing speaks against it.',
}

const figures: Words = {
  'sheet-stroke': 'Chamber {chamber}: {strokeMl} a full stroke',
  'sheet-costs': 'Rebuilt {rebuild}, new {renew}, hands and part',
  'sheet-pedal-play': 'That is {pedalMm} of free play at the pedal',
  'sheet-dry-takes': 'Fitted dry it takes {takesMl}: {homeMl} with its pistons home, the rest for worn pads',
  'sheet-pistons': ({ count, diameterMm }, say) =>
    `${count === 1 ? 'One piston' : `${count} pistons`} of ${say.value('diameterMm', diameterMm)}`,
  'sheet-cuts': 'Cut at {fromM} and at {toM}, from {part} on',
  'sheet-new-tube': 'Tube to buy: {tubeM}, which is {routedM} of run and two flares',
  'sheet-tube-holds': 'The new piece holds {holdsMl}',
  'sheet-joints': '{joints} joints to be dry, twice',
  'sheet-hose-holds':
    '{lengthM} of hose holds {holdsMl}, and swells by {swellsMl} in a firm stop when it is sound',
  'sheet-hose-flow': 'Caught {caughtMlPerMin}, expected {expectedMlPerMin} at {tempC}',
  'sheet-hose-behind-unit': 'Behind a control unit its flow is judged against the other side alone',
}

const buys: Words = {
  'buy-pin-and-clip': 'split pin or clip of the rod',
  'buy-washers': 'sealing washer',
  'buy-rubber-grease': 'rubber grease for brakes',
  'buy-tube': 'brake tube, {outerMm} outside, {tubeM}',
  'buy-tube-nut': 'tube nut, thread as the old one',
  'buy-coupler': 'coupler with seats for that flare',
  'buy-hose-clip': 'hose clip',
}

const still: Words = {
  'sheet-still-rod': 'Set the rod’s play once it is fitted, and write it down.',
  'sheet-rod-tight':
    'No play: the piston covers its port, and the wheels will not free themselves. Set it before anything else.',
  'sheet-rod-slack': 'More than {mostMm} of play is travel lost: set it.',
  'sheet-still-week': ({ actuator }, say) =>
    `Press ${say.value('actuator', actuator)} after a week of standing.`,
  'sheet-still-bled': 'Bleed it once it is on, and look at its seals under full effort.',
  'sheet-still-bleeder': 'Renew its bleeder: a brake that cannot be bled is not kept as it is.',
  'sheet-still-greased': 'Keep it from rusting on; look again at the next service.',
  'sheet-still-soaked':
    'Soak the nuts and leave them {waitMin} min before a line spanner is tried again; tighten a hair first.',
  'sheet-still-dry':
    'Every joint of it started by hand, tightened, and dry twice: at rest and under full effort.',
  'sheet-still-lock-to-lock':
    'Turn the wheel from lock to lock, and let the axle hang: nothing pulls, nothing rubs.',
  'actuator-pedal': 'the pedal',
  'actuator-lever': 'the lever',
  'actuator-caliper': 'it',
}

const refusals: Words = {
  'sheet-meanwhile': 'Somebody else filled this sheet in meanwhile. Look at what stands now.',
  'sheet-not-so': 'That cannot be of this vehicle: the page may be an old one. Open it again.',
  'sheet-cannot-be': 'Some figures cannot be: {why}.',
  'sheet-no-new-length': 'There is no new length to write down.',
  'sheet-written-already': 'The vehicle’s file has it already.',
  'sheet-vehicle-changed':
    'The vehicle’s file has another line there than this job began with: change it on the vehicle’s page.',
  'line-not-declined': 'That was not declined.',
  'declined-note-missing': 'Write down what was said, and by whom.',
}

const cautions: Words = {
  'care-only-brake-fluid':
    'Only brake fluid or the proper rubber grease touches brake rubber: no oil, no petrol, no solvent.',
  'care-air-and-wood-block': 'Air throws pistons: little of it, a wood block before them, hands clear.',
  'care-dust': 'Old lining dust may be asbestos: never blow it out.',
}

/** Sheets of a part: what is asked, what is decided and why. */
export const repairSheetWords: Words = {
  ...names,
  ...fields,
  ...options,
  ...verdicts,
  ...reasons,
  ...figures,
  ...buys,
  ...still,
  ...refusals,
  ...cautions,
}

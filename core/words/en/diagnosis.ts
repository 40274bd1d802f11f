import type { Words } from '../say'
import { diagnosisChecks } from './diagnosis-checks'

const complaints: Words = {
  'complaint-soft-pedal': 'Soft: it gives like a sponge',
  'complaint-sinking-pedal': 'Sinks slowly under a steady foot',
  'complaint-low-pedal': 'Low: a long way before it bites',
  'complaint-no-pedal': 'Nothing: it goes to the floor',
  'complaint-hard-pedal': 'Hard as a board, and stops badly',
  'complaint-springy-middle': 'Firm at first, then springy',
  'complaint-drag-one': 'One wheel drags or runs hot',
  'complaint-drag-all': 'All wheels drag',
  'complaint-low-level': 'The level is low',
  'complaint-lost-after-standing': 'Good, then gone after standing',
  'complaint-fades-hot': 'Goes away once the brakes are hot',
  'complaint-no-clutch': 'The clutch does not part',
  'complaint-no-flow-one': 'Nothing comes at one bleeder',
  'complaint-air-never-ends': 'Air comes and never ends',
  'complaint-pulls-to-one-side': 'Pulls to one side',
}

const causes: Words = {
  'cause-air-lines': 'air in the lines',
  'cause-air-cylinder': 'air in the cylinder',
  'cause-air-unit': 'air inside the control unit',
  'cause-cylinder-bypass': 'cylinder leaks past its own seals',
  'cause-cylinder-no-return': 'cylinder does not let fluid back',
  'cause-cylinder-no-draw': 'cylinder takes nothing from its reservoir',
  'cause-pushrod-tight': 'pushrod too tight',
  'cause-pushrod-slack': 'pushrod too slack',
  'cause-hose-closed': 'a hose closed up inside',
  'cause-hose-soft': 'a hose that swells',
  'cause-line-blocked': 'a line blocked or flattened',
  'cause-bleeder-blocked': 'a blocked bleeder',
  'cause-brake-seized': 'a seized piston or slide',
  'cause-shoes-out': 'shoes out of adjustment',
  'cause-outside-leak': 'a leak to the outside',
  'cause-booster-leak': 'fluid going into the booster',
  'cause-booster-no-help': 'a booster that does not help',
  'cause-unit-valve': 'a valve in the control unit',
  'cause-bleeder-not-at-top': 'a bleeder that is not at the top',
  'cause-false-bubbles': 'bubbles drawn past a thread, no air inside',
  'cause-pad-wear': 'worn pads',
  'cause-level-sensor': 'the level sensor',
  'cause-overfilled': 'reservoir filled over MAX',
  'cause-fluid-boils': 'fluid that boils',
  'cause-pads-knocked-back': 'pads knocked back by the disc',
  'cause-pads-unbedded': 'pads not bedded in, or glazed',
  'cause-seals-swollen': 'seals swollen by a wrong fluid',
  'cause-clutch-mechanical': 'the clutch itself',
}

const repairs: Words = {
  'repair-bleed': 'Bleed every place until clean and firm',
  'repair-ports-and-bleed': 'Bleed the cylinder at its ports, then every place',
  'repair-cycles-and-bleed': 'Run the unit’s cycles between base bleeds',
  'repair-new-cylinder': 'Fit another cylinder, bled in the vice, then bleed every place',
  'repair-cylinder-and-booster': 'Fit another cylinder and booster, then bleed every place',
  'repair-new-booster': 'Make the booster help again: hose, valve, or another one',
  'repair-new-unit': 'Fit another control unit, with its cycles and base bleeds',
  'repair-new-hose': 'Fit another hose, and bleed that corner',
  'repair-new-line': 'Fit another line, and bleed behind it',
  'repair-joint-made-tight': 'Make tight what is wet, or renew it, and bleed behind it',
  'repair-new-bleeder': 'Clear the passage, fit another bleeder, and bleed there',
  'repair-new-brake': 'Free or renew that brake, and bleed it',
  'repair-brake-turned': 'Bring the bleeder to the top: sides swapped, or hung to bleed',
  'repair-thread-sealed': 'One pull without vacuum: no bubbles, no air',
  'repair-shoes-set': 'Adjust shoes and parking brake',
  'repair-rod-set': 'Set the pushrod’s play',
  'repair-new-pads': 'Renew the pads, then set the level',
  'repair-pads-bedded': 'Bed the pads in as their maker says',
  'repair-play-taken-out': 'Look for what knocks the pads back: bearing, disc, slides',
  'repair-new-sensor': 'Renew the level sensor or its float',
  'repair-drawn-to-max': 'Draw the reservoir down to MAX',
  'repair-exchange': 'Exchange all of the fluid',
  'repair-all-rubber': 'Renew every part of rubber, and all of the fluid',
  'repair-clutch-work': 'Take the clutch itself in hand',
}

const spares: Words = {
  'spare-master-cylinder': 'master cylinder',
  'spare-control-unit': 'control unit',
  'spare-hose': 'hose',
  'spare-caliper': 'caliper',
  'spare-wheel-cylinder': 'wheel cylinder',
  'spare-line': 'line',
  'spare-bleeder': 'bleeder',
  'spare-booster': 'booster',
  'spare-pads': 'pads',
  'spare-kit': 'kit of seals',
  'spare-level-sensor': 'level sensor',
  'spare-clutch': 'clutch',
}

const cautions: Words = {
  'care-never-press-open': 'Never press the pedal with a caliper, drum or shoes off: pistons come out.',
  'care-rated-plugs': 'Plugs rated for full brake pressure, nothing home-made.',
  'care-eye-protection': 'Eye protection: fluid comes out under pressure.',
  'care-rag-and-shield':
    'A rag over the joint and a face shield: it is under pressure. Tighten it again before anything else.',
  'care-wheel-on-stands': 'On stands, never a jack alone; nobody in the way of a wheel that comes free.',
  'care-fluid-eats-paint': 'Cover the paint: fluid eats it. Rinse with plenty of water.',
  'care-clamp-where-allowed':
    'Only where the maker permits it, only with the proper tool, never a braided hose.',
  'care-battery-on-charge': 'Battery on charge; only a routine that the unit offers.',
  'care-hot-parts': 'Hot parts: a hand near, never on.',
}

const reasons: Words = {
  'shares-from-experience':
    'Shares begin from tabled figures of experience, and move with every answer. They are no measurement.',
  'own-cases-counted': ({ count }) =>
    `${count === 1 ? 'One case' : `${count} cases`} of this shop’s own are weighed with the tables, which count as twenty. What brakes may be lost by never counts for less than there.`,
  'history-unbled': 'Opened and not bled since: air is several times as likely.',
  'history-fully-bled': 'Bled fully already: air is less likely than it would be.',
  'history-age': 'Rubber of {ageYears} years counts as that.',
  'found-changed': '{look}, {result}: {cause} went from {beforePct} to {afterPct}.',
  'two-faults-likely': 'Two at once explain this much better than any one: {one}, and {other}.',
  'nothing-fits-well':
    'Nothing that is known shows all of this often: look again at what was answered, or it is something else.',
  'stays-here':
    'It stays here: do not drive with a pedal that is not firm, and move it only on another’s wheels.',
  'looks-first': 'Level and wet places are looked at before all else, whatever the cost.',
  'least-expected-cost': '{next}: with what is likely to follow, this comes to the least in the mean.',
  'prices-usual': 'Usual prices, not this shop’s own: {parts}.',
  'fault-meanwhile': 'Somebody else answered meanwhile. Look at what stands now, and answer again.',
  'fault-not-so': 'That cannot be of this vehicle: the page may be an old one. Open it again.',
  'search-ended': 'That mended it: {cause}.',
}

const estimate: Words = {
  'estimate-hands': 'Hands, {minutes} min',
  'estimate-part': ({ part, count }, say) =>
    count === 1 ? say.value('part', part) : `${count} × ${say.value('part', part)}`,
  'estimate-fluid': 'Fluid, {takesMl}',
  'option-as-said': 'New',
  'option-rebuild': 'Rebuilt with a kit',
  'option-pair': 'Both of the axle',
  'option-piece': 'A piece of it',
}

const led: Words = {
  'led-pressure': 'Pressure in the line, {n}',
  'led-travel': 'Pedal travel, {n}',
  'led-missing': 'Missing below MAX',
  'led-wear': 'Wear: {brake}',
  'led-limit': 'Widest it may be',
  'led-top-along': 'Top, along',
  'led-top-across': 'Top, across',
  'led-middle-along': 'Middle, along',
  'led-middle-across': 'Middle, across',
  'led-bottom-along': 'Bottom, along',
  'led-bottom-across': 'Bottom, across',
  'led-gave': '{bleeder} gave',
  'led-wheel-holds': 'The pads of {brake} hold {fromMl} to {toMl}.',
  'flow-nothing': 'Nothing came anywhere.',
  'flow-even':
    'The least, {bleeder}, gave {ofMostPct} of what its line should against the best: from {leastPct} on they count as alike.',
  'flow-weak':
    '{bleeder} gave {ofMostPct} of what its line should against the best: below {leastPct} something is in the way.',
  'flow-by-lines': 'Each is held against what its own length of line lets through.',
  'flow-by-sides': 'Behind a control unit each wheel is held against the other of its axle alone.',
  'bore-within': 'Widest {widestMm}, at most {limitMm} allowed.',
  'bore-beyond': 'Widest {widestMm}, at most {limitMm} allowed: it is not used again.',
}

/** Finding out what is wrong: complaints, causes, what mends, and why. */
export const diagnosis: Words = {
  ...complaints,
  ...causes,
  ...diagnosisChecks,
  ...repairs,
  ...spares,
  ...cautions,
  ...reasons,
  ...estimate,
  ...led,
}

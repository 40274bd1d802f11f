import type { Param } from '../../base/decision'
import type { Say, Words } from '../say'

/** A temperature with its band, the unit said once. */
const within = ({ show }: Say, atC: unknown, bandC: unknown) =>
  `${show.number('temperature', Number(atC))} ± ${show.apart('temperature', Number(bandC))}`

/** What the pages of the Bench are called, ask, answer and rest on. */
export const benchPages: Words = {
  'bench-boiling': 'Boiling curve',
  'bench-boiling-question': 'How hot before this fluid boils, and how far is that from its limit?',
  'bench-boiling-kind': 'What was measured',
  'bench-boiling-kind-water': 'Water, %',
  'bench-boiling-kind-boiling': 'Boiling point',
  'bench-boiling-waterPct': 'Water',
  'bench-boiling-boilingC': 'It boiled at',
  'bench-boiling-dryC': 'Dry, from the product’s data sheet',
  'bench-boiling-dryC-hint': 'Empty: the specification’s minimum',
  'bench-boiling-wetC': 'Wet, from the same sheet',
  'bench-boiling-heightM': 'Height of the shop above the sea',
  'bench-boiling-limitPct': 'Replace at',
  'bench-bubbles': 'Waiting time against bubble size',
  'bench-bubbles-question':
    'How long until fine bubbles have risen, and does a large one leave this tube by itself?',
  'bench-bubbles-tempC': 'Fluid temperature',
  'bench-bubbles-depthMm': 'Fluid over the bubbles',
  'bench-bubbles-bubbleMm': 'Smallest bubble that matters',
  'bench-bubbles-bubbleMm-hint': 'Fine froth is {fineMm} to {toMm}',
  'bench-bubbles-boreMm': 'Tube bore',
  'bench-left-right': 'Flow left against right',
  'bench-left-right-question':
    'Do the two wheels of an axle run as their own lines say, or has one a hose closed up inside?',
  'bench-left-right-axle': 'Axle',
  'bench-left-right-axle-rear': 'rear',
  'bench-left-right-axle-front': 'front',
  'bench-left-right-before': 'Before these wheels',
  'bench-left-right-before-pipes': 'pipes and valves alone',
  'bench-left-right-before-unit': 'a control unit',
  'bench-left-right-pressureKPa': 'Pressure at the reservoir',
  'bench-left-right-tempC': 'Fluid temperature',
  'bench-left-right-errorPct': 'Each flow measured within',
  'bench-left-right-errorPct-hint': 'Bottle and watch: about 10 %',
  'bench-old-fluid': 'Old fluid left',
  'bench-old-fluid-question':
    'How much new fluid until what comes out is new enough, and which containers is that?',
  'bench-old-fluid-system': 'Which reservoir',
  'bench-old-fluid-system-hint':
    'Each reservoir by itself: a motorcycle has two. One that a vehicle has not is the first again',
  'bench-old-fluid-system-first': 'the first',
  'bench-old-fluid-system-second': 'the second',
  'bench-old-fluid-system-third': 'the third',
  'bench-old-fluid-system-fourth': 'the fourth',
  'bench-old-fluid-cornersMl': 'Old fluid before each bleeder, in order',
  'bench-old-fluid-cornersMl-hint':
    'Spaces between. From a vehicle: chamber, lines, unit, brake as far as its pistons stand out',
  'bench-old-fluid-reservoirMl': 'Reservoir at MAX',
  'bench-old-fluid-drawToMl': 'Drawn down until so much is left',
  'bench-old-fluid-drawToMl-hint': 'As far as every port stays covered; a wiped one is 0',
  'bench-old-fluid-kept': 'Kept full by',
  'bench-old-fluid-kept-machine': 'a machine',
  'bench-old-fluid-kept-hand': 'somebody who pours',
  'bench-old-fluid-minMl': 'Poured up from MIN, at',
  'bench-old-fluid-targetOldPct': 'Last drops at most',
  'bench-old-fluid-pouredMl': 'Poured through the bleeders',
  'bench-old-fluid-sizesMl': 'Container sizes',
  'bench-pedal': 'Pedal travel against effort',
  'bench-pedal-question': 'Is a soft pedal air, a hose that swells, or a cylinder that lets past?',
  'bench-pedal-boreMm': 'Master cylinder bore',
  'bench-pedal-pedalRatio': 'Pedal ratio',
  'bench-pedal-efforts': 'Line pressure and pedal travel, pair by pair',
  'bench-pedal-travelErrorMm': 'Travel read within',
  'bench-pedal-travelErrorMm-hint': 'Nine of ten readings',
  'bench-pedal-gaugeErrorPct': 'Pressure read within',
  'bench-pedal-sinkMm': 'Sank under a steady foot',
  'bench-pedal-heldS': 'Held for',
  'bench-pull': 'A pull, slowly',
  'bench-pull-end': 'End of the pull',
  'bench-pull-end-close-first': 'close, then release',
  'bench-pull-end-release-first': 'release, then close',
  'bench-pull-hose': 'Hose on the bleeder',
  'bench-pull-hose-open': 'ends in the air',
  'bench-pull-hose-under-fluid': 'ends under fluid',
  'bench-pull-hose-check-valve': 'has a check valve',
  'bench-pull-effortN': 'Foot on the pedal',
  'bench-pull-airMl': 'Air in the brake',
  'bench-pull-tempC': 'Fluid temperature',
  'bench-pull-boreMm': 'Master cylinder bore',
  'bench-pull-pedalRatio': 'Pedal ratio',
  'bench-pull-pistonMm': 'Piston in the brake',
  'bench-pull-runM': 'Line to it',
  'bench-sheet': 'Top-up, wear and balance',
  'bench-sheet-question':
    'How many strokes until somebody pours, is a low reservoir a leak, and does what went in add up?',
  'bench-sheet-levelMl': 'Level now',
  'bench-sheet-minMl': 'Level at MIN',
  'bench-sheet-mlPerStroke': 'One stroke moves',
  'bench-sheet-pistons': 'Pistons: diameter, how many, how far out',
  'bench-sheet-pistons-hint':
    'Each brake by itself, further out than new. Drums that adjust themselves count for nothing',
  'bench-sheet-inMl': 'Poured in',
  'bench-sheet-outMl': 'In the bottle',
  'bench-sheet-spilledMl': 'Spilled',
  'bench-sheet-seenMl': 'The system should hold more by',
  'bench-sheet-seenMl-hint': 'Level after less level before, and what was empty before',
  'bench-temperature': 'Temperature against speed',
  'bench-temperature-question': 'How much slower does it bleed in a cold shop?',
  'bench-temperature-tempC': 'Temperature',
  'bench-temperature-run': 'Longest run, its pieces in order',
  'bench-temperature-pressureKPa': 'Pressure, or vacuum',
  'bench-left-right-leftLine': 'Left run, its pieces in order',
  'bench-left-right-leftMlPerMin': 'Caught on the left',
  'bench-left-right-leftReturn': 'Left wheel, pedal let go',
  'bench-left-right-leftReturn-untested': 'not tested',
  'bench-left-right-leftReturn-frees': 'frees at once',
  'bench-left-right-leftReturn-drags': 'drags',
  'bench-left-right-rightLine': 'Right run, its pieces in order',
  'bench-left-right-rightMlPerMin': 'Caught on the right',
  'bench-left-right-rightReturn': 'Right wheel, pedal let go',
  'bench-left-right-rightReturn-untested': 'not tested',
  'bench-left-right-rightReturn-frees': 'frees at once',
  'bench-left-right-rightReturn-drags': 'drags',
  'bench-left-right-leftLine-hint': 'Each piece with its length, then its bore; the hose last',
  'bench-left-right-says':
    'Flow of the {axle} axle: left at {leftPct}, right at {rightPct} of what its line predicts; {verdict}.',
  'bench-sides-alike': 'no restriction shows between the two',
  'bench-sides-not-below-half': 'neither is below half of the other',
  'bench-sides-left-slow': 'the left is restricted',
  'bench-sides-right-slow': 'the right is restricted',
  'bench-sides-both-slow': 'both far below: look upstream',
  'bench-sides-cannot-tell': 'the measuring error leaves it open',
  'bench-fluid': 'Fluid',
  'bench-pedal-efforts-hint': 'Engine off, booster used up. Three efforts at least, one below {lightKPa}',
  'bench-pedal-says': 'Air: {air}; swelling: {swelling}; sink: {sink}.',
  'bench-pedal-says-air': 'Air: {air} ({airMl} ± {errorMl}); swelling: {swelling}; sink: {sink}.',
  'bench-told-yes': 'yes',
  'bench-told-no': 'no',
  'bench-told-cannot-tell': 'cannot tell',
  'bench-temperature-says': 'At {atC} it runs at {speed} of its speed at {roomC}: {outMlPerMin}.',
  'bench-more-than-passes':
    'More than twice what this line can pass: mend the flow, the pressure, the temperature or the pieces.',
  'bench-old-fluid-says':
    'Last drops at most {targetPct} old take {bleedMl} through the bleeders, {needMl} in all.',
  'bench-both-or-neither': 'Give both of the sheet’s figures, or neither.',
  'bench-boiling-above': '{marginApartC} above its wet limit',
  'bench-boiling-below': '{marginApartC} below its wet limit',
  'bench-boiling-says-boiled': ({ spec, boilsC, bandC, margin, low, high }, say) =>
    `${spec} boiled at ${within(say, boilsC, bandC)}, ${say.value('margin', margin as Param)}: ${low} to ${high} % water.`,
  'bench-boiling-says': ({ spec, boilsC, bandC, margin, water }, say) =>
    `${spec} with ${water} % water boils at about ${within(say, boilsC, bandC)}, ${say.value('margin', margin as Param)}.`,
  'bench-bubbles-says': 'Bubbles of {bubbleMm} need {needS} at {atC}.',
  'bench-bubbles-says-minutes': 'Bubbles of {bubbleMm} need {minutes} min at {atC}.',
  'bench-sheet-says':
    '{strokes} strokes to top-up; wear takes {wearMl} from MAX; {heldMl} held, gap {gapPct}.',
  'bench-below-min': 'It stands below MIN already: pour before anything else.',
  'bench-pistons-fault': 'Give each size a diameter above 0 and a whole number of pistons.',
  'bench-pieces-fault': 'Give every piece a length above 0 and a bore of {leastMm} or more.',
  'bench-pull-question': 'Why is the bleeder closed before the pedal is let go?',
  'bench-pick-one': 'Pick one of these.',
  'bench-list-fault': 'Give 1 to {most} numbers from {bounds}, with spaces between.',
  'bench-out-of-bounds': 'Give {bounds}.',
  'bench-rows-fault': 'Give rows like {example}: {bounds}; at most {most} of them.',
  'about-bubble-rise-formula': 'v = g·d²/(18·ν)',
  'about-bubble-rise-source': 'Stokes’s law for a rigid sphere',
  'about-bubble-rise-limits': (_, { show }) =>
    `Clean bubbles rise up to 1.5 times as fast, so the wait is on the safe side. Good to about ${show('length', 0.75)} at ${show('temperature', 20)}; larger ones rise slower than this says.`,
  'about-bubble-sticks-formula': 'stays while ρ·g·r²/σ < 0.842',
  'about-bubble-sticks-source': 'Bretherton 1961: a long bubble in an upright closed tube',
  'about-bubble-sticks-limits':
    'Between 0.7 and 1.0 it hangs on a surface tension nobody measured: as good as stuck.',
  'about-moisture-forecast-formula':
    'w = S·(1 − e^(−k·t)); k is the median of all slopes between two readings, weighed against the usual rise by how surely they tell it',
  'about-moisture-forecast-source':
    'first-order uptake; Theil 1950 and Sen 1968; with too few readings 1 to 2 % a year, from memory',
  'about-moisture-forecast-limits':
    'Nine of ten lie within the range, by the errors given (0.75 % where none is). A fall beyond error counts as an exchange nobody wrote down; a rise below 0.4 % a year is not believed. A forecast, not a measurement: test before the early date.',
  'about-moisture-verdict-formula':
    'the reading against the shop’s limits; water turned into a boiling point with its band',
  'about-moisture-verdict-source': 'limits are common practice; wet minimum of FMVSS 116 (recalled)',
  'about-moisture-verdict-limits':
    'One reading of one sample: a caliper’s fluid is older than the reservoir’s. An ohmmeter can condemn, never pass.',
  'about-purge-formula': 'old share at the outlet = e^(−Nθ)·Σ (Nθ)^i/i! for i < N; a bare tube 1/(4θ²)',
  'about-purge-source': 'Levenspiel, tanks-in-series and laminar residence time',
  'about-purge-limits':
    'Share at the outlet for a clean feed; what is left behind on average is lower. A line with a caliper acts as about three tanks (common practice).',
  'about-restriction-formula':
    'R = ΔP/Q − R of the other pieces; d = (128·μ·L/(π·R))^¼ over the suspected piece’s length',
  'about-restriction-source':
    'Hagen–Poiseuille solved for the bore, Blasius 1913 above laminar; half of expected is common practice',
  'about-restriction-limits':
    'The bore holds for the length assumed: a short pinch of the same effect is much narrower.',
  'about-top-up-formula': 'strokes = (level now − MIN)/what a stroke moves, rounded down',
  'about-top-up-source': 'arithmetic',
  'about-top-up-limits':
    'For the compartment that feeds what is open. Pour before the last of them, not after.',
  'about-trapped-air-formula': 'V0·(1 − P0/P) = π/4·D²·travel/ratio, P absolute',
  'about-trapped-air-source': 'Boyle’s law; geometry',
  'about-trapped-air-limits':
    'All extra travel counts as air: swelling hoses and clearance look the same at one effort. Three efforts tell them apart.',
  'about-viscosity-formula':
    'log10 log10(ν + 0.7) falls on a straight line over log10 of the absolute temperature',
  'about-viscosity-source':
    'Walther’s equation, ASTM D341; a spec’s two points are typical products’, from memory',
  'about-viscosity-limits':
    'Good above 2 mm²/s and within about half a per cent between the two points; beyond them it only points the way.',
  'about-wear-drop-formula': 'Σ π/4·D² × how far each piston has moved out',
  'about-wear-drop-source': 'geometry',
  'about-wear-drop-limits':
    'A floating caliper’s piston travels the wear of both its pads and the disc, a fixed caliper’s each its own pad; drums that adjust themselves count as nothing.',
  'about-flow-formula': 'ΔP = Σ 128·μ·L·Q/(π·d⁴) + (ρ/2)·(Q/(Cd·A))²; ΔP is pressure + vacuum + ρ·g·h',
  'about-flow-source': 'Hagen–Poiseuille; Blasius 1913 above Reynolds 2300; sharp-edged orifice, Cd 0.61',
  'about-flow-limits':
    'Smooth round tube, steady flow, fluid at one temperature. The inner passages of a control unit count as wide open.',
  'about-boiling-point-formula':
    'x·γ·Pw(T) + (1 − x)·Pg(T) = pressure of the air, γ fitted so that 3.7 % water boils at the wet boiling point',
  'about-boiling-point-source':
    'Raoult’s law; water by Wagner & Pruss 1993 (IAPWS SR1-86); anchors of FMVSS 116 or the product’s own data sheet; air pressure by ISO 2533 (recalled)',
  'about-boiling-point-limits': (_, { show }) =>
    `A fit, so the band is part of the answer (3 to 5 % at the wet point, other solvents): never read tenths from it. Beyond 6 % water γ is not known, and the band reaches to free water. At a height the standard’s round figure per mmHg (recalled) takes ${show.apart('temperature', 1)} to ${show.apart('temperature', 2)} less for ${show('run', 1000)}. Not for silicone or mineral oil.`,
  'about-pedal-feel-formula':
    'travel·area/ratio = air·P/(P + P0) + swelling·P + clearance·(share taken up at P), fitted by weighted least squares',
  'about-pedal-feel-source': (_, { show }) =>
    `Boyle’s law; weighted least squares, fit tested by χ². What counts as felt or sound, and clearance being taken up by ${show('pressure', 30)} to ${show('pressure', 150)}, is from memory`,
  'about-pedal-feel-limits':
    'Nine of ten lie within the band shown, by the errors given. A booster that still works, or shoes out of adjustment, spoil it: then it does not fit, and says so.',
  'about-reservoir-carry-formula':
    'reservoir: one stirred tank, carried from bleeder to bleeder; drawn to f it is f old, rinsed with r once more f²/(f + r)',
  'about-reservoir-carry-source': 'Levenspiel, stirred tanks in series; two dilutions by volume',
  'about-reservoir-carry-limits':
    'The least that brings every bleeder to the target. Draw down only so far that every port stays covered, nobody on the pedal, no bleeder open.',
  'about-mass-balance-formula':
    'in − out − spilled = change held; the gap is what that differs from what is seen',
  'about-mass-balance-source': 'arithmetic; a gap above 10 % wants an answer (common practice)',
  'about-mass-balance-limits': (_, { show }) =>
    `A gap is a leak, a spill or something not written down. Nothing below ${show('volume', 10)} can be read.`,
  'about-one-wheel-formula':
    'pressures that leave no cell of the line with more than it holds, step by step; air by Boyle',
  'about-one-wheel-source':
    'Hagen–Poiseuille, Boyle, a sharp-edged hole; springs, seals and stiffness from memory',
  'about-one-wheel-limits': (_, { show }) =>
    `One wheel, one circuit, ${show('length', 3.34)} pipe. A real hand is slower or quicker than this one.`,
  'wet-above-dry': 'The wet boiling point cannot be above the dry one ({dryC}).',
  'boils-above-dry':
    'A fluid cannot boil above its dry boiling point ({dryC}): check the reading, or give the product’s own data sheet.',
  'boils-below-water': 'Water by itself boils no lower than that: give {lowestC} to {dryC}.',
  'wet-equals-dry': 'With the wet boiling point equal to the dry one, boiling says nothing about water.',
}

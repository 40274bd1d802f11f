import type { Params } from '../../base/decision'
import type { Say } from '../say'
import type { StepWords } from '../steps'

/** What the tool shows meanwhile, what is waited for, and how long that may take. */
const whatComes = ({ shows, awaits, leastS, mostS, ignition }: Params, say: Say): string[] => [
  ...(ignition === undefined ? [] : [say.value('ignition', ignition)]),
  ...(shows === undefined ? [] : [`The tool: “${say.value('shows', shows)}”`]),
  ...(awaits === undefined ? [] : [say.value('awaits', awaits)]),
  ...(leastS === undefined ? [] : [`At least ${say.value('leastS', leastS)}.`]),
  ...(mostS === undefined ? [] : [`Over ${say.value('mostS', mostS)} something is wrong.`]),
]
const footMind = ({ does, ...params }: Params, say: Say): string =>
  [...(does === undefined ? [] : [say.value('does', does)]), ...whatComes(params, say)].join(' ')
const procedureMind = (params: Params, say: Say): string => whatComes(params, say).join(' ')
const procedureMindPlain = ({ ignition: _said, ...params }: Params, say: Say): string =>
  whatComes(params, say).join(' ')
const procedureMindUnshown = ({ shows: _said, ...params }: Params, say: Say): string =>
  whatComes(params, say).join(' ')

const routineMind = 'Pedal or lever held as it asks, each brake for about two seconds.'

/** Every step of a plan, of a part, of a technique and of a mend. */
export const steps: StepWords = {
  // Reservoir and level
  cover: 'Cover the paint, clean around the lid, take it off.',
  lid: ['Lid on loosely.', 'Released fluid squirts up.'],
  draw: [
    'Draw the old fluid out, down to MIN.',
    'Lower only where every port stays covered. Nobody on the pedal, no bleeder open.',
  ],
  'draw-to': [
    'Draw the old fluid out of {reservoir} until about {leftMl} is left.',
    'Well below MIN, and every port still covered: stop where one shows. Nobody on the pedal, no bleeder open.',
  ],
  rinse: [
    'Pour about {rinseMl} of new {spec} into {reservoir}, round its walls.',
    'What is left in it thins out before it is drawn once more.',
  ],
  'rinse-out': [
    'Draw {reservoir} down to about {leftMl} once more.',
    'Every port still covered. Nobody on the pedal, no bleeder open.',
  ],
  'fill-sealed': [
    ({ spec, reservoir }, say) =>
      `Fill ${reservoir ? `${say.value('reservoir', reservoir)} ` : ''}to MAX with new ${spec}.`,
    'Keep a drop of it on white paper: what comes out is clear when it looks like that, amber beside amber.',
  ],
  refill: [
    'Fill {reservoir} to MAX with new {spec}.',
    'It stands below MIN: nothing is opened or pressed before.',
  ],
  empty: ['Draw all of the old fluid out.', 'Nobody on the pedal, no bleeder open.'],
  wipe: 'Wipe the reservoir clean with lint-free cloth.',
  'first-fill': 'Fill with new {spec}, and work the pedal slowly a few times.',
  'empty-again': ['Draw it out once more.', 'Never dry now: the ports stay covered.'],
  fill: 'Fill to MAX with new {spec}.',
  'fill-slowly': 'Fill slowly to MAX with new {spec}; let the level settle and fill again.',
  gentle: 'A few short, slow strokes; watch the air rise out of the reservoir.',
  risen: 'Wait until no more bubbles rise in the reservoir.',
  'draw-to-max': 'Level is usually over MAX now: draw it down to MAX.',
  'lower-reservoir': [
    'Reservoir drawn down to MIN, pedal or lever fully up.',
    'What is pushed in below arrives above.',
  ],
  // Leaks
  'wipe-dry': 'Wipe every joint that was opened dry.',
  'press-hard': 'Press hard and hold for {holdS}, brakes assembled, every bleeder closed.',
  'look-machine': [
    'Every joint dry under the machine’s pressure.',
    'A wet one: pressure off, mend it, wipe, bring it up again. Full effort follows at the end.',
  ],
  look: ['Every joint dry.', 'A wet one: mend it, wipe, press again.'],
  // At the wheels
  stands: 'On stands, brakes assembled, catch bottle ready.',
  'bottle-ready': 'Brakes assembled, catch bottle ready.',
  bottles: 'A bottle at every bleeder, hose end under fluid.',
  'hang-bottle': [
    'Bottle hung above the bleeder, hose end 25 mm under new fluid.',
    'What is drawn back is fluid then, not air.',
  ],
  booster: [
    'Engine off. Press until the booster’s vacuum is used up.',
    'A block under the pedal keeps an old cylinder off its floor.',
  ],
  // Machine and vacuum
  adapter: ['Adapter on the reservoir, tight.', 'Machine filled with new fluid of the right kind.'],
  'adapter-named': [
    'Adapter “{adapter}” on the reservoir, tight.',
    'Machine filled with new fluid of the right kind.',
  ],
  pressurise: 'Bring it up slowly to {setKPa} and watch the cap for a leak.',
  depressurise: [
    'Let the machine’s pressure off.',
    'At its own valve, or at a bleeder. The adapter stays on until the gauge reads zero.',
  ],
  'adapter-off': 'Gauge at zero: take the adapter off.',
  'hold-metering': [
    'Hold the metering valve open with the maker’s tool.',
    'It shuts the fronts off at this pressure.',
  ],
  'free-metering': ['Free the metering valve: tool off.', 'Left held, the fronts lock first in the wet.'],
  vacuum: 'Trap empty, pump set to {setKPa} below atmosphere.',
  // At the cylinder
  vice: ['Cylinder in the vice, level as fitted.', 'Held by its flange. Eye protection on.'],
  hoses: [
    'Hoses from every port back under the fluid, reservoir half full.',
    ({ threads, restS }, say) =>
      `Start each thread by hand: two that look alike differ by one pitch.${threads ? ` Thread ${say.value('threads', threads)}.` : ''} Froth rests about ${say.value('restS', restS)} at this temperature.`,
  ],
  fingers: [
    'A gloved finger on every port: off while it pushes, on before it comes back.',
    'It squirts: goggles, rag, pan. Froth rests about {restS} at this temperature.',
  ],
  fit: 'Ports plugged, cylinder fitted, lines tight to the maker’s torque.',
  loss: 'Write down about how much fluid it took.',
  rag: 'Rag under the cylinder, eyes protected, reservoir above MIN.',
  tight: 'Nuts tight to the maker’s torque; rinse what was spilled.',
  prop: 'Prop ready at the pedal: it holds the pedal down where the call says HOLD.',
  'prop-out': 'Prop out, nobody in the cab.',
  'lever-untied': [
    'Untie the lever and let it come back slowly.',
    'Small bubbles may have risen meanwhile. It proves nothing: the lever is felt, and the proof is made, all the same.',
  ],
  // Control unit
  battery: 'Battery supported. Unit connected, as its maker says.',
  unpower: 'Ignition off before anything else is opened.',
  // Plans of before had one step for the whole routine.
  'routine-cycle': [
    'Run the bleed routine this unit offers, to its end. Keep the reservoir above MIN.',
    routineMind,
  ],
  'routine-wheel-by-wheel':
    'Start the wheel-by-wheel routine; it names the wheel. Keep the reservoir above MIN.',
  'routine-maker-led': [
    'Start the maker’s routine and do what it asks, in its order.',
    'Its pump is fast: bottle and hose ready, reservoir kept full by an inverted bottle.',
  ],
  'battery-volts': 'Battery supported, {minVolts} V or more. Unit connected, as its maker says.',
  'procedure-menu': 'At the tool: {menu}.',
  procedure: ['{does}', procedureMind],
  'procedure-shows': ['The tool: “{shows}”', procedureMindUnshown],
  'procedure-wait': ['Wait.', procedureMind],
  'procedure-foot-hold': ['Press and hold, until the wheel calls.', footMind],
  'procedure-foot-pump': ['Pump slowly, until the wheel calls.', footMind],
  'procedure-foot-release': ['Let it come up slowly.', footMind],
  'procedure-unplug': ['Unplug the {thing}.', procedureMind],
  'procedure-plug-back': ['Plug the {thing} back.', procedureMind],
  'procedure-bottle-on': ['Inverted bottle on the reservoir: it keeps it full.', procedureMind],
  'procedure-bottle-off': ['Inverted bottle off the reservoir.', procedureMind],
  'procedure-fill': ['Fill to MAX.', procedureMind],
  'procedure-ignition-on': ['Ignition on.', procedureMindPlain],
  'procedure-ignition-off': ['Ignition off.', procedureMindPlain],
  'procedure-calibrate': ['Calibrate: {calibrates}.', procedureMind],
  'routine-tool-died': [
    'Ignition off. Tool back on its own supply, connected again.',
    'Every bleeder shut first: valves fall back when the unit loses the tool.',
  ],
  'routine-pump-runs-on': [
    'Ignition off: its pump stops. Let it cool for five minutes, from memory.',
    'A pump that runs on has air or a leak before it: reservoir full, joints dry.',
  ],
  'routine-door-opened': [
    'Hands off. Doors shut, key away, as the maker’s service mode says.',
    'It may have built pressure when it woke.',
  ],
  'routine-battery-low': 'Charger on. Wait until the voltage is back.',
  'routine-refused': [
    'Read what the tool says, and put it right.',
    'What this vehicle does not offer is never started: then bleed by another way, or to the maker.',
  ],
  'foot-up': 'Every joint is shut: let the pedal come up slowly.',
  'pedal-sensor-back': 'Pedal sensor plugged back.',
  'wheel-sensor-back': 'Wheel sensor plugged back.',
  'pump-relay-back': 'Pump relay back in.',
  'unit-plugged-in': 'Control unit plugged in again.',
  'power-unit': [
    'Base bleed is clean: plug the control unit in.',
    'Not before: its valves move when it wakes, and lock air in.',
  ],
  'unpower-unit': [
    'Control unit unplugged, ignition off, until the base bleed is clean.',
    'Its valves can move and lock air in.',
  ],
  'level-sensor-off': [
    'Level sensor unplugged; inverted bottle on the reservoir.',
    'So that the unit does not stop half-way.',
  ],
  'level-sensor-back': 'Level sensor plugged back.',
  'battery-off': 'Battery supply off. Codes read and cleared.',
  accumulator: [
    'Accumulator depressurised by the maker’s procedure, and shown to be empty.',
    (_, say) =>
      `It holds ${say.show('pressure', 14_000)} to ${say.show('pressure', 18_000)}, from memory. Before any joint is opened, and before the level is read.`,
  ],
  'pistons-room': [
    'Draw {reservoir} down to about {roomToMl} first, lid off: the pistons bring about {upMl} up.',
    'Over MAX it runs out and eats paint. Every port stays covered. Nobody on the pedal, no bleeder open.',
  ],
  'pistons-home': [
    ({ brakes, upMl, reservoir }, say) =>
      `Press the pistons of ${say.value('brakes', brakes)} home, slowly${upMl === 0 ? '' : `: about ${say.value('upMl', upMl)} comes up in ${say.value('reservoir', reservoir)}`}.`,
    ({ screwed }) =>
      `${screwed ? 'Where the parking brake is built in the piston is screwed home with its tool. ' : ''}Somebody watches the level: at MAX stop, and draw once more. What comes back is the oldest fluid there is; where a control unit stands in between, the maker may want it let out at the bleeder instead.`,
  ],
  'pistons-seated': [
    'Slow, short strokes until the pedal or lever is firm: the pistons come out to the new pads.',
    'The first ones go deep: never to the floor. Then look at the level.',
  ],
  'service-mode': [
    'Wheels chocked. Electric parking brake into service mode.',
    'Key away, doors as the maker says: no accidental power.',
  ],
  'service-mode-out': 'Parking brake out of service mode, and calibrated.',
  // What other parts ask for
  'load-axle': [
    'Load the rear axle, or hold the valve’s lever as the maker says.',
    'It shuts while the axle hangs. Never readjust it.',
  ],
  'unload-axle': 'Load off the axle, valve’s lever free.',
  'level-car': 'Vehicle level: the valve’s ball must rest.',
  lockout: 'Reverse lockout released; actuator free to stroke at the coupling.',
  'lockout-back': 'Reverse lockout set back.',
  'adjust-shoes': [
    'Adjust the shoes until they just drag, then free.',
    'Clearance feels like air. Old lining dust may be asbestos: never blow it out.',
  ],
  'lever-released': 'Parking-brake lever fully released, wheels chocked.',
  bars: [
    'Turn the bars so that the cylinder’s hollow bolt is the highest point, and crack it first under a rag.',
    'Lever held, a moment, closed before it is let go: the air that no bleeder reaches sits there.',
  ],
  'bars-turn': 'Turn the bars so that the cylinder’s hollow bolt is the highest point.',
  'bars-crack': [
    'Turn the bars so that the hollow bolt is the highest point; crack it first under a rag, lever held.',
    'Closed before the lever is let go: the air that no bleeder reaches sits there. New sealing washers, the maker’s torque.',
  ],
  'water-drop': [
    'A drop from each bleeder into water: it mixes. One that floats or clouds: bleed there again.',
    'Silicone and mineral oil float, glycol mixes. Sediment may come up at any time: wipe again.',
  ],
  'rubber-renewed': [
    'Every rubber part renewed for this fluid, or the maker’s word that it need not be.',
    'Mineral oil and glycol destroy each other’s seals: cups, hoses, caps and boots.',
  ],
  'hang-caliper': [
    'Unbolt the caliper and hang it with its bleeder on top, a spacer between the pads.',
    'No load on its hose. Without the spacer the pistons come out.',
  ],
  'refit-caliper': 'Spacer out, caliper bolted back to its torque.',
  'centre-switch': 'Centre the pressure-difference switch: its lamp is out.',
  'connectors-back': 'Count the connectors back: {plugs}. {count} out, {count} in.',
  // Mends
  'pressure-off': 'Let the machine’s pressure off, through its own valve.',
  'bleeder-fitted': [
    'Bleeder {point} {what}: new bleeder, or the part it broke in, fitted and tight.',
    'Bleeders and hollow bolts shear: the maker’s torque, new sealing washers. Plug it while you fetch one.',
  ],
  'line-mended': [
    'Mend {line}: tight to the maker’s torque, or replaced.',
    'Pressure off, nobody on the pedal. Hollow bolts: new sealing washers.',
  ],
  'slowly-filled': 'Fill {reservoir} slowly to MAX; let the air rise out of it.',
  'paint-rinsed': 'Rinse the paint with plenty of water. Do not wipe.',
  'pads-replaced': [
    'Wetted pads or shoes replaced in pairs, disc or drum cleaned.',
    'No chlorinated cleaner near heat. Old lining dust: never blow it out.',
  ],
  'wrong-drawn': [
    'Draw {reservoir} empty. Nobody on the pedal, no bleeder open.',
    'Into the waste for that kind, never back into a container.',
  ],
  'wrong-wiped': 'Wipe it clean with lint-free cloth.',
  'wrong-refilled': 'Fill to MAX with new {spec}; read the label aloud first.',
}

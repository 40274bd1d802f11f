import type { Words } from '../say'

/** What a plan warns of. */
export const cautions: Words = {
  'maker-first': 'The maker’s procedure, local rules and a qualified person come before this plan.',
  'brakes-on-before-pedal': ({ drums, discs, lever }) =>
    `Never press the ${lever ? 'lever or pedal' : 'pedal'} with a ${drums === false ? 'caliper' : discs === false ? 'drum or its shoes' : 'caliper, drum or shoes'} off: the pistons come out.`,
  'eyes-hands-paint':
    'Goggles and gloves. Brake fluid strips paint and burns on a hot exhaust: cover, and rinse spills with plenty of water.',
  'never-mix': 'One kind of fluid, from a container whose age is known. Never reuse what was drained.',
  stands: 'On stands, never on a jack alone.',
  'close-before-release': 'Close the bleeder first; only then release pedal, vacuum or hose.',
  'bleeder-shears':
    'A stubborn bleeder: six-point spanner, tighten a hair first. It shears, and its torque is small.',
  'vacuum-booster': 'Engine off, and the booster’s vacuum used up by pressing, before anything is opened.',
  'old-cylinder-floor':
    'Not to the floor: beyond the usual stroke a worn bore cuts the seals. A block under the pedal helps.',
  'machine-pressure-off':
    'Let the machine’s pressure off before its adapter comes off. Wheels may hold while it is on.',
  'vacuum-false-bubbles':
    'Small steady bubbles that never end may be drawn past the thread. Close the bleeder with the vacuum on: if they stop, they were air from the line.',
  'vacuum-mist': 'The vacuum pump’s exhaust carries a mist of fluid: let it out away from faces and brakes.',
  'cap-seal-doubtful':
    'The cap’s seal is not known to be sound: low pressure only, and watch it. Reservoir old or cracked: use another method.',
  'never-above-rating': 'Never above the lower of the adapter’s and the maker’s rating.',
  'unit-unpowered':
    'The control unit stays unpowered until the base bleed is done: its valves can move and lock air in.',
  'unit-offers': 'Charged battery. Start only a routine this unit offers; read and clear codes afterwards.',
  'by-wire-hands-off':
    'It may build pressure by itself when a door opens or the key is near: maker’s service mode first, hands clear.',
  'residual-valve': 'A residual-pressure valve holds 50–100 kPa: the bleeder spits once after release.',
  'load-sensing-valve':
    'The load-sensing valve shuts when the axle hangs: load the axle or hold the lever as the maker says. Never readjust it.',
  'metering-valve':
    'At this pressure the metering valve shuts the fronts off: hold it open with the maker’s tool, and free it afterwards.',
  'deceleration-valve': 'Vehicle level: the deceleration valve’s ball must rest.',
  'pressure-difference-switch': 'The pressure-difference switch may have shifted: centre it.',
  'quick-take-up': 'Quick-take-up cylinder: slow strokes with about 15 s between them.',
  'adjust-drums':
    'Adjust the shoes before bleeding: clearance feels like air. Old lining dust may be asbestos: never blow it out.',
  'parking-brake-caliper':
    'Parking-brake lever fully released, and the pistons adjusted before pedal travel is judged.',
  'electric-parking-brake':
    'Electric parking brake in service mode, wheels chocked; close it out and calibrate afterwards.',
  'bleeder-not-at-top':
    'A bleeder is not at the highest point: hang the caliper so that it is (spacer between the pads), or no bleeding gets the air out.',
  'vacuum-at-drums':
    'Vacuum draws the cup seals of drum cylinders off their walls: air may come past them, and bubbles there prove nothing. Pressure or a foot tells.',
  'silicone-with-unit':
    'Silicone holds fine air, and a control unit’s pulses work it in: unsuitable where there is one, unless the maker states it.',
  'mineral-and-rubber':
    'Mineral oil and glycol destroy each other’s seals: every rubber part renewed, or the maker’s word, before new fluid goes in.',
  'second-flush': 'What sits in seals and branches comes out later: flush once more after some weeks.',
  'concentric-slave': 'Concentric clutch slave: no fast pumping, no overtravel.',
  'hollow-bolt':
    'The cylinder’s hollow bolt is often the highest point: turn the bars so that it is, and crack it first under a rag.',
  'single-circuit': 'One circuit: any leak is total loss of brakes. Any doubt means it does not leave.',
  'trailer-hydraulics': 'Stroke the actuator at the coupling; release the reverse lockout.',
  'conversion-flush':
    'Fluids that do not mix leave gum and swell seals: ask the maker which rubber parts must be renewed.',
  'leak-face': 'Face shield or rag near a joint under pressure.',
  'used-fluid': 'Used fluid is collected apart, handed in, and never goes into soil or drain.',
  'firm-or-stays': 'Pedal not firm: the vehicle does not leave.',
}

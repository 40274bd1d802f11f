import type { ProofWords } from '../proofs'

/** Every proof: what it is called, how it is done, and what to do where it fails. */
export const proofs: Readonly<Record<string, ProofWords>> = {
  level: {
    title: 'Level at MAX',
    how: 'Level at MAX, room left under the lid, diaphragm and cap on.',
    fails: 'Fill or draw to MAX, then check again.',
  },
  'closed-up': {
    title: 'Closed up',
    how: 'Every bleeder tight and capped, every connector and sensor plugged back, service mode left.',
    fails: 'Put it back now, count again.',
  },
  'pads-clean': {
    title: 'No fluid on pads or shoes',
    how: 'What fluid touched was replaced in pairs; disc or drum is clean and dry.',
    fails: 'Replace them now: wetted linings do not hold.',
  },
  'shoes-adjusted': {
    title: 'Shoes adjusted',
    how: 'Turn the wheels: shoes adjusted, no drag.',
    fails: 'Adjust before judging the pedal.',
  },
  'again-pushrod': {
    title: 'Pushrod with a little play',
    how: 'It was out before: feel the play between pushrod and piston, pedal at rest.',
    fails: 'Set it before anything else: without play the wheels do not free themselves.',
  },
  'again-high-point': {
    title: 'Every bleeder at the top',
    how: 'One was not before: look where each sits.',
    fails: 'Turn or swap it, then bleed it again.',
  },
  'again-level-lamp': {
    title: 'Level lamp follows its float',
    how: 'It stuck before: ignition on, push the float down and let it up.',
    fails: 'Renew the sensor or its float.',
  },
  'again-flow': {
    title: 'Flow alike at every bleeder',
    how: 'It was not before: the same push through each bleeder, each gives what its line should.',
    fails: 'What was in the way is still there: hose, line, bleeder.',
  },
  'again-heat': {
    title: 'Wheels alike warm after the drive',
    how: 'One or all ran hot before: a hand near each wheel, never on.',
    fails: 'It still drags: back to the search, nothing else is bought.',
  },
  'pads-seated': {
    title: 'Pads seated',
    how: 'Press slowly until pads and shoes are seated, before the vehicle moves.',
    fails: 'Keep pressing in short strokes; if it never firms up, bleed again.',
  },
  'pedal-high': {
    title: 'Pedal high and firm',
    how: 'Engine off, vacuum used up: the pedal (or lever) is high, and firm at once.',
    fails: 'Low and firm on the second press: clearance, adjust first. Springy: air, bleed again.',
  },
  'three-presses': {
    title: 'Same height on three presses',
    how: 'Engine off. Press three times and measure how much higher the third stands than the first.',
    fails: 'It improves by pumping: air, or clearance. Adjust drums, then bleed again.',
    measure: 'Rise from first to third',
  },
  'hold-light': {
    title: 'Light foot held 30 s',
    how: 'Hold lightly for 30 s and measure how far it sinks. Seals leak at light effort too.',
    fails: 'Sinking, nothing wet: the master cylinder passes its own seals. Look for wet joints first.',
    measure: 'Sinks by',
  },
  'hold-firm': {
    title: 'Firm foot held 30 s',
    how: 'Hold firmly for 30 s and measure how far it sinks.',
    fails:
      'Look for a wet joint; with none, suspect the master cylinder. Block its ports with rated plugs to tell.',
    measure: 'Sinks by',
  },
  'routine-pressure': {
    title: 'Unit’s own pressure check',
    how: 'The routine’s own pressure check passed, and a pressure sensor at rest reads zero. A simulated pedal proves nothing.',
    fails: 'Repeat the routine; then to fault finding.',
  },
  'engine-on': {
    title: 'Slight drop with the engine on',
    how: 'Foot on, start the engine: a slight drop only.',
    fails: 'No drop: booster. Sinks far: air or a leak.',
  },
  'joints-dry': {
    title: 'Every joint dry',
    how: 'Full effort, with the booster where there is one: every opened joint and bleeder is dry with the pressure still on.',
    fails: 'Mend the wet joint, then bleed that corner again.',
  },
  'single-circuit': {
    title: 'The one circuit, end to end',
    how: 'One circuit has no second: every joint from cylinder to wheel looked at under full effort, none in doubt.',
    fails: 'Any doubt keeps it here: mend the joint, then bleed again.',
  },
  clutch: {
    title: 'Clutch frees',
    how: 'The clutch bites high and frees fully; its slave is dry.',
    fails: 'Air in the clutch line: bleed it again, no fast pumping.',
  },
  'wheels-free': {
    title: 'Wheels turn free',
    how: 'The pedal held: no wheel turns by hand. Let go: each turns free at once.',
    fails: 'Crack that bleeder: frees at once means a closed hose or a cylinder that does not release.',
  },
  alike: {
    title: 'Left and right alike',
    how: 'Left and right alike, on rollers or in feel.',
    fails: 'Compare flow left and right: a hose closed inside shows there.',
  },
  'parking-brake': {
    title: 'Parking brake holds',
    how: 'Parking brake holds, and lets go.',
    fails: 'Adjust as the maker says.',
  },
  'parking-electric': {
    title: 'Electric parking brake out of service mode',
    how: 'Service mode closed out and calibrated, no accidental power while hands were in.',
    fails: 'Run the maker’s closing routine again.',
  },
  'parking-built-in': {
    title: 'Pistons with the parking brake adjusted',
    how: 'Lever fully released, piston adjusted, before pedal travel is judged.',
    fails: 'Adjust, then judge the pedal again.',
  },
  lamps: {
    title: 'Lamps out, no codes',
    how: 'Warning lamps out, codes read and cleared.',
    fails: 'Read the codes; repair what they name.',
  },
  'wheel-nuts': {
    title: 'Wheel nuts',
    how: 'Wheel nuts in a star: snug with the wheel up, then to the maker’s torque on the ground.',
    fails: 'Tighten them now.',
  },
  'low-speed': {
    title: 'Low-speed stop',
    how: 'A stop at walking pace, inside the yard.',
    fails: 'It does not go on the road: bleed again or find the fault.',
  },
  'road-test': {
    title: 'Road test',
    how: 'Road test with feel: straight, firm, even.',
    fails: 'It stays here: find the fault.',
  },
  'units-sound': {
    title: 'The control unit is sound',
    how: 'Numbers, codes, calibration and pressure sensor: read it, on the Unit page.',
    fails:
      'A code that returns, a sensor that is not at zero, a calibration that fails: find why before anything moves.',
  },
  'units-after-drive': {
    title: 'No code came back on the drive',
    how: 'Read it once more after the road test, lamps out.',
    fails: 'A code came back on the drive: find why.',
  },
  'unit-worked': {
    title: 'Firm after the unit has worked',
    how: 'After the unit’s first action: still firm (or its own check still passed), no new code. Read on the Unit page before and after the drive, the pedal is compared.',
    fails: 'Air came out of a closed branch: base bleed again.',
  },
  'level-again': {
    title: 'Level once more',
    how: 'Level once more after the road test: fluid expands with heat.',
    fails: 'Set it to MAX; if it fell, look for a leak.',
  },
}

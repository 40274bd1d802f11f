import type { Words } from '../say'

/** What a plan came to on the simulated vehicle. */
export const rig: Words = {
  'hides-nothing': 'Nothing: it is a sound vehicle.',
  'hides-closed-hose': 'The hose of {line} has closed up inside, to {boreMm}.',
  'hides-bypass': 'The cylinder lets past its own seal at {chamber}: the foot sinks under a steady press.',
  'hides-air': 'There were {airMl} of air in {part} from the beginning.',
  'hides-no-draw': 'The cylinder takes nothing from its reservoir at {chamber}.',
  'seen-new': 'as new',
  'seen-amber': 'amber',
  'seen-brown': 'brown',
  'seen-dark': 'dark',
  'seen-black': 'black',
  'seen-green': 'green',
  'seen-purple': 'purple',
  'seen-cloudy': 'cloudy',
  'seen-gritty': 'gritty',
  'seen-hose-none': '{^colour}, no bubbles',
  'seen-hose-froth': '{^colour}, froth',
  'seen-hose-string': '{^colour}, a string of bubbles',
  'seen-hose-slug': '{^colour}, a slug of air',
  'rig-no-flow': 'On the rig nothing came at {bleeder}.',
  'rig-not-simulated': 'Nothing of what is planned could drive {bleeder} on the rig: it was not run.',
  'rig-ran-dry': 'On the rig a reservoir fell below its ports.',
  'rig-overflowed': 'On the rig a reservoir ran over.',
  'rig-target-missed': 'On the rig {bleeder} ends at {endsPct} old, not at {targetPct}.',
  'rig-least': '{^reservoir}: never below {leastMl} while it was bled; MIN is {minMl}.',
  'rig-pedal': '{^cylinder}: {afterMm} of travel at an ordinary stop.',
  'rig-pedal-better': '{^cylinder}: {beforeMm} of travel at an ordinary stop before, {afterMm} after.',
  'rig-slower':
    'Fluid runs for {rigMin} min here, with every port and small passage counted; the plan reckons pipes and bleeders: {planMin} min.',
  'rig-air-left': 'On the rig {leftMl} of air is left.',
}

import type { TechniqueWords } from '../techniques'

/** What each way of bleeding is called, what it rests on, one round of it for paper, and what usually goes wrong. */
export const techniques: Readonly<Record<string, TechniqueWords>> = {
  'pump-and-hold': {
    name: 'Two-person, pump and hold',
    why: 'A helper on the pedal; the bleeder closes before the pedal is released.',
    round: [
      'Cab: 3–5 slow pumps, then hold.',
      'Wheel: open a quarter turn.',
      'Flow stops: close. Only then the cab releases.',
    ],
    done: 'Three pulls in a row without bubbles and in new colour, and its volume through.',
    mistakes: [
      'The pedal comes up with the bleeder open: air, and clean pulls are wanted anew.',
      'Pressed to the floor: a worn bore cuts the seals.',
      'Pumped quickly: froth that takes minutes to rise.',
    ],
  },
  'press-through': {
    name: 'Two-person, press through',
    why: 'One slow stroke through the open bleeder: no pumping, so no froth.',
    round: [
      'Wheel: open half a turn, hose end under fluid.',
      'Cab: one slow stroke, then hold it down.',
      'Wheel: close. Only then the cab releases.',
    ],
    done: 'Three pulls in a row without bubbles and in new colour, and its volume through.',
    mistakes: [
      'The foot lifts before the bleeder is closed: air.',
      'Pressed to the floor: a worn bore cuts the seals.',
    ],
  },
  'check-valve': {
    name: 'Solo with check valve',
    why: 'Nobody to help: a check valve in the hose keeps air out.',
    round: [
      'Hose with the check valve on, open half a turn.',
      'Slow full strokes; count them against the top-up count.',
      'Close before the hose comes off. Look at the bottle.',
    ],
    done: 'Three pulls in a row without bubbles and in new colour, and its volume through.',
    mistakes: [
      'The hose cannot be seen from the cab: strokes not counted, and the reservoir runs dry.',
      'A check valve that leaks back: small air at every stroke.',
    ],
  },
  'within-reach': {
    name: 'Alone, lever and bleeder within reach',
    why: 'One hand at the lever, the other at the bleeder: closed before the lever is let go, so no air comes back.',
    round: [
      'Squeeze the lever slowly and hold it.',
      'Open a quarter turn; the lever sinks, and is held on.',
      'Close while it is still held. Only then let go, slowly.',
    ],
    done: 'Three pulls in a row without bubbles and in new colour, and its volume through.',
    mistakes: [
      'The hand lets go before the bleeder is closed: air.',
      'Quick pumping on a small reservoir: it runs dry within a minute.',
    ],
  },
  propped: {
    name: 'Alone, pedal held by a sprung prop',
    why: 'Nobody to help: a prop that follows holds the pedal down while the bleeder is open, and comes out once it is closed.',
    round: [
      'Set the prop on the pedal, its spring drawn.',
      'Open half a turn; the prop follows the pedal down.',
      'Close while it still pushes. Only then take it out, and let the pedal up slowly.',
    ],
    done: 'Three pulls in a row without bubbles and in new colour, and its volume through.',
    mistakes: [
      'A rigid prop: after the first drops nothing moves, and a pull is counted that was none.',
      'The prop slips, or is taken out with the bleeder open: air.',
    ],
  },
  'raised-bottle': {
    name: 'Solo, bottle above the bleeder',
    why: 'Nobody to help and no check valve: 25 mm of fluid over the hose end, above the bleeder, keeps air out.',
    round: [
      'Bottle above the bleeder, hose end 25 mm under fluid; open half a turn.',
      'Slow full strokes, a slow return; count them against the top-up count.',
      'Close before the hose comes off.',
    ],
    done: 'Three pulls in a row without bubbles and in new colour, and its volume through.',
    mistakes: [
      'The hose end comes out of the fluid: air.',
      'Old fluid in the bottle is drawn back: begin with new.',
    ],
  },
  gravity: {
    name: 'Gravity',
    why: 'Slow, but it draws no air and makes no froth.',
    round: [
      'Standpipe bottle on, open half a turn.',
      'Let it run; short light strokes only with the others closed.',
      'Two minutes without a bubble: close, hose off.',
    ],
    done: 'Its volume through, and no bubbles for two minutes.',
    mistakes: ['Forgotten while it runs: the reservoir is dry in a quarter of an hour.'],
  },
  pressure: {
    name: 'Pressure at the reservoir',
    why: 'Steady flow with one person; the machine keeps the reservoir full.',
    round: [
      'Hose on, open half a turn: the machine drives.',
      'Watch colour, bubbles and the bottle’s marks.',
      'Close, hose off, cap on.',
    ],
    done: 'Its volume through, then three looks without bubbles and in new colour.',
    mistakes: [
      'The adapter taken off under pressure: fluid over the paint.',
      'The machine runs empty and blows air into the reservoir.',
      'Level left over MAX: it comes out when it warms up.',
    ],
  },
  vacuum: {
    name: 'Vacuum at the bleeder',
    why: 'One person and no adapter; bubbles drawn past the thread have to be told from real ones.',
    round: [
      'Hose on, vacuum drawn, then open a quarter turn.',
      'Watch the hose and the reservoir: it falls while the pump draws.',
      'Close, hose off with the vacuum still on, cap on.',
    ],
    done: 'Its volume through, then three looks without bubbles and in new colour.',
    mistakes: [
      'Bubbles drawn past the thread chased for an hour: close the bleeder with the vacuum on and look.',
      'Nobody watches the reservoir.',
    ],
  },
  'pressure-vacuum': {
    name: 'Pressure and vacuum together',
    why: 'The quickest exchange where the machine and its adapter fit.',
    round: [
      'Hose on, vacuum drawn, then open.',
      'Watch the tank’s mark and the colour.',
      'Close, hose off with the vacuum still on, cap on.',
    ],
    done: 'The tank’s mark reached, then three looks without bubbles and in new colour.',
    mistakes: [
      'Small steady bubbles drawn past the thread taken for air in the line.',
      'The adapter taken off under pressure.',
    ],
  },
  reverse: {
    name: 'Reverse fill by syringe',
    why: 'Air rises with the fluid instead of against it.',
    round: [
      'Bleeder and caliper clean, syringe full and free of air.',
      'Open, push slowly, watch the reservoir.',
      'Close with the syringe still on.',
    ],
    done: 'Bubbles stop in the reservoir, and its volume is through.',
    mistakes: ['A dirty caliper: its dirt goes up into the valves.', 'The reservoir runs over.'],
  },
  'bench-kit': {
    name: 'On the bench, with a kit',
    why: 'A new cylinder’s air is driven out in the vice, before it can go down the lines.',
    round: ['A full slow stroke, hold a second, slowly back.', 'Froth: stop and let it rise.'],
    done: 'No bubbles, firm push.',
    mistakes: ['Pumped quickly: froth.', 'A hose end out of the fluid: it draws air back.'],
  },
  fingers: {
    name: 'On the bench, fingers over the ports',
    why: 'No kit whose thread fits: a finger over each port lets fluid out and no air back.',
    round: ['Fingers off, a slow stroke in.', 'Fingers on every port, slowly back.'],
    done: 'No bubbles, firm push.',
    mistakes: ['A finger lifts on the way back: air.', 'Pumped quickly: froth.'],
  },
  'ports-helper': {
    name: 'At the cylinder’s ports, with a helper',
    why: 'The cylinder’s own air is let out where it stands, before it is pushed on.',
    round: ['Cab: press and hold.', 'Crack the nut a quarter turn; close it.', 'Only then the cab releases.'],
    done: 'Solid fluid at every port.',
    mistakes: ['The pedal comes up with the nut open: air.', 'Fluid left on the paint under the cylinder.'],
  },
  'ports-prop': {
    name: 'At the cylinder’s ports, pedal propped',
    why: 'Nobody to help: a prop holds the pedal while the nut is cracked.',
    round: [
      'Press, set the prop.',
      'Crack the nut a quarter turn; close it.',
      'Only then take the prop out.',
    ],
    done: 'Solid fluid at every port.',
    mistakes: ['The prop slips with the nut open: air.', 'The prop left in.'],
  },
  cycle: {
    name: 'Control unit by scan tool: cycles',
    why: 'Its valves and pump hide air until they are worked.',
    round: ['Pedal held as the tool asks, about two seconds a brake.'],
    done: 'The routine says done, and the base bleed after it is clean.',
    mistakes: ['Run before the base bleed: its valves lock air in.', 'A weak battery stops it half-way.'],
  },
  'wheel-by-wheel': {
    name: 'Control unit by scan tool: wheel by wheel',
    why: 'The unit pulses its own valves at each open bleeder; it works without a helper.',
    round: [
      'Open the bleeder the tool names.',
      'Let it pulse until it says stop.',
      'Close, then confirm at the tool.',
    ],
    done: 'The routine says done at every wheel, and the base bleed after it is clean.',
    mistakes: [
      'Confirmed at the tool with the bleeder still open.',
      'The reservoir is emptied quickly: fill between wheels.',
    ],
  },
  'wheel-by-wheel-pumped': {
    name: 'Control unit by scan tool: wheel by wheel, pedal pumped',
    why: 'The unit pulses its own valves at each open bleeder while a foot pumps.',
    round: [
      'Open the bleeder the tool names.',
      'Pump until it says stop, and stay down.',
      'Close, then let go, then confirm at the tool.',
    ],
    done: 'The routine says done at every wheel, and the base bleed after it is clean.',
    mistakes: [
      'The tool says stop and the foot comes up with the bleeder open: air.',
      'The reservoir is emptied quickly: fill between wheels.',
    ],
  },
  'maker-led': {
    name: 'Control unit by scan tool: led by its maker',
    why: 'These brakes move by the unit’s own pressure, as its maker’s routine says.',
    round: [
      'Be ready before it starts: its pump is fast.',
      'Close before the routine lets the pressure fall.',
    ],
    done: 'The routine says done, its pressure check holds, and what follows by pedal is clean.',
    mistakes: [
      'It builds pressure when a door opens: hands off.',
      'The reservoir is empty in half a minute.',
    ],
  },
}

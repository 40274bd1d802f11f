import type { Words } from '../say'

/** What is done in each state of a call; `{joint}` is what is opened, like "bleeder RR". */
const does: Words = {
  'call-down': '{joint}: call the pedal down.',
  'press-and-hold': 'Press slowly, and hold.',
  'open-quarter': 'Open {joint}, a quarter turn.',
  crack: 'Rag under it. Crack {joint}, a quarter turn.',
  'close-when-still': 'Flow has stopped? Close it.',
  'close-near-bottom': 'Near the bottom: CLOSE it now.',
  release: 'Closed. Release the pedal slowly.',
  'close-after-slip': 'The pedal came up: close it now.',

  'open-under-fluid': 'Open {joint}, half a turn; hose end well under fluid.',
  'call-one-press': 'Call one slow press.',
  'press-and-stay': 'Press down slowly, once, and stay down.',
  'close-when-down': 'Pedal is down: close it.',

  'open-half': 'Open {joint}, half a turn.',
  'open-bottle-hung': 'Bottle hung, hose end under fluid. Open {joint}.',
  'open-for-tool': 'Open {joint}, half a turn, then let the tool start.',
  'slow-strokes': 'Slow full strokes. Then look at the hose.',
  'machine-drives': 'The machine drives. Watch the hose.',
  'let-run': 'Let it run. Watch hose and reservoir.',
  'unit-drives': 'The unit drives: it may be fast. Do what the tool asks, and watch hose and reservoir.',
  'close-after-air': 'Air may have gone in: close it now.',

  draw: 'Hose on {joint}: draw the vacuum.',
  'pump-draws': 'The pump draws. Watch the hose.',
  'hose-off-first': 'Closed. Take the hose off with the vacuum still on, then let it off.',

  'squeeze-and-open': 'Let the lever go, squeeze it again and hold. Open {joint}, a quarter turn.',
  'prop-and-open': 'Prop out, pedal up; set it again, its spring drawn. Then open {joint}, half a turn.',
  'close-then-unprop': 'Prop at its end, or nothing comes? Close it first, then take the prop out.',
  'close-then-let-go': 'Lever near its grip? Close it first, then let go.',

  'open-to-pump': 'Open {joint}, half a turn; then the cab pumps and the tool starts.',
  'pump-until-stop': 'Pump slowly until the tool says stop. Watch hose and reservoir.',
  'close-foot-down': 'The foot stays down. CLOSE {joint} now.',

  'stroke-in': 'A full slow stroke in; hold it a second.',
  'stroke-back': 'Slowly back, hose ends under the fluid.',
  'let-rise': 'Hands off. Let fine bubbles rise.',
}

/** What an act confirms, in the words of the button that records it. */
const confirms: Words = {
  press: 'Call PRESS',
  holding: 'The cab says: holding',
  'down-and-holding': 'The cab says: down and holding',
  'near-bottom': 'The cab says: near the bottom',
  open: 'It is open',
  'open-held': 'It is open, lever held',
  'open-pump': 'It is open: PUMP',
  closed: '{joint} is CLOSED',
  up: 'The cab says: pedal is up',
  'foot-slipped': 'Foot slipped, the pedal came up',
  'slipped-shut': 'Foot slipped: pedal is up',
  'open-propped': 'It is open, pedal propped',
  'prop-slipped': 'The prop slipped, the pedal came up',
  'lever-came-back': 'The lever came back while it was open',
  'hose-off': 'Hose came off, or its end left the fluid',
  drawn: 'Vacuum stands',
  'let-off': 'Hose off, vacuum off',
  'vacuum-lost': 'Hose came off, vacuum lost',
  'tool-stops': 'The tool says stop',
  'tool-died': 'The tool stopped by itself',
  in: 'It is in',
  back: 'It is back',
  settle: 'Let fine bubbles rise',
  risen: 'No more bubbles rise',
}

/** What was done in the call, for whoever reads it later. */
const did: Words = {
  press: 'pedal called down',
  holding: 'held down',
  open: 'opened',
  close: 'closed',
  release: 'pedal up',
  'foot-slipped': 'the foot slipped',
  'near-bottom': 'pedal near the bottom',
  draw: 'vacuum drawn',
  'let-off': 'let off',
  'hose-came-off': 'the hose came off',
  stroke: 'stroke in',
  back: 'stroke back',
  settle: 'fine bubbles left to rise',
  risen: 'no more bubbles rise',
  'tool-stops': 'the tool says stop',
  'tool-died': 'the tool stopped by itself',
}

const under = (prefix: string, words: Words): Words =>
  Object.fromEntries(Object.entries(words).map(([code, said]) => [`${prefix}-${code}`, said]))

/** The turns between wheel and cab. */
export const calls: Words = { ...under('call', does), ...under('confirm', confirms), ...under('did', did) }

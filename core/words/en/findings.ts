import type { Words } from '../say'

/** What is noticed while it bleeds, and what to look at because of it. */
export const findings: Words = {
  'drawn-short':
    'More of the old fluid stayed in the reservoir than planned: the bleeders take {moreMl} more for it, most of it at {point}.',
  'draw-again': 'Draw the reservoir once more',
  'look-same-fluid': 'Same fluid, from the container that is open for this job. Lid back on loosely.',
  'tank-low':
    'The machine’s tank is at {tankMl}, {point} still wants {wantsMl}: close it, let the pressure off and fill the tank. An empty one blows air into the system.',
  'bottle-low':
    'The bottle on the reservoir is at {tankMl}, {point} still wants {wantsMl}: close it and change the bottle. An empty one lets the level fall, and nobody sees it.',
  'look-tank': 'Same fluid, sealed container. Pressure off before the tank is opened, as its maker says.',
  'over-with-air':
    '{throughMl} through {point}, planned were {targetMl}, and it still brings air. More of the same will not help.',
  'over-with-colour':
    '{throughMl} through {point}, planned were {targetMl}, and it still brings old colour. More of the same will not help.',
  'routine-little':
    'The unit’s routine brought {outMl}, reckoned were {reckonedMl}. What it should have carried out of its branches is likely there still.',
  'look-routine-offered':
    'Did the tool run the routine of this unit, with power on and nothing on its screen to confirm?',
  'look-routine-again': 'Run it once more before this bleed: its wheels, the same order.',
  'look-hose-end':
    'Hose end under the fluid, and tight on the nipple? The bleeder open no more than half a turn?',
  'look-joint-draws': 'A joint upstream that draws air: every nut and banjo from here to the cylinder.',
  'look-ever-below-min':
    'The reservoir: was it ever below MIN? Then air sits at the cylinder, and comes for a long time.',
  'look-place-keeps-air':
    'A place that keeps air: the highest point before this bleeder, or the control unit. Bleed there first.',
  'look-not-highest':
    'Is this bleeder the highest point of its caliper, or do left and right hang on the wrong side?',
  'look-feed-new': 'What feeds it: is the reservoir’s own fluid new, and wiped?',
  'look-dark-branch': 'A dark branch before this one that has not been bled yet gives its fluid off here.',
  'look-caliper-dirt':
    'Dirt and old fluid from the caliper itself: open the bleeder fully once, with the hose on.',
  'look-colour-at-all': 'Is it colour at all? Hold a drop against new fluid from the container.',
  'false-bubbles':
    'The same small bubbles {times} times in a row at {point}: under vacuum they may come past its thread, not out of the line.',
  'look-close-under-vacuum':
    'Close the bleeder with the vacuum still on. They go on: the hose or its fit draws air. They stop: go on here.',
  'look-one-pull': 'One pull by two people, without vacuum: no bubbles, then none were in the line.',
  'look-open-less': 'Open it less: a quarter turn draws less past the thread than a half.',
  froth:
    'Froth: leave it alone. At {shopC} bubbles of {seen} mm take about {seenS} through {depth} mm of this fluid, of {fine} mm about {fineMin} min.',
  'look-slower': 'Slower from now on: fast pumping makes froth.',
  'look-thin-line': 'Air that is in a thin line does not rise by waiting: flow has to carry it.',
  'side-slow':
    '{point} runs at {runsMlPerMin}; its line should pass about {expectedMlPerMin}, and {other} beside it ran at {otherPct} of its own. Something is in the way here: a restricted hose is likely.',
  'no-flow':
    'Next to nothing came at {point}, {times} pulls in a row. Nothing here is finished by that: find where it stops.',
  'draws-nothing':
    'Bubbles at {point}, and next to nothing moved in {times} pulls: the cylinder may draw nothing from the reservoir.',
  'held-at-cylinder':
    'Nothing comes at {point}, and nothing at the cylinder’s own port: it is held in the cylinder.',
  'held-at-unit':
    'Nothing comes at {point}: fluid leaves the cylinder, and none leaves the control unit. A valve is shut in it, or its passage is closed.',
  'held-at-bleeder':
    'Nothing came at {point}, and fluid ran with the bleeder out: its own hole is blocked. Clear it or fit a new one, then go on here.',
  'held-at-elsewhere':
    'With {point} alone open fluid comes: before, it went another way. Is every other bleeder shut, every joint dry?',
  'held-at-hose':
    'Nothing comes at {point}, and the wheel does not free itself: its hose is likely closed up inside.',
  'held-at-between':
    'Nothing comes at {point}, its bleeder is clear and fluid comes as far as was looked: it is held in the line or hose between.',
  'flow-look-port':
    'Hold the pedal down. With a rag around it, crack the nut at the cylinder’s port for {point} a quarter turn, and tighten it before the pedal comes up. Did fluid come?',
  'flow-look-unit':
    'The same at the control unit: crack the line out of it for {point}, pedal held, and tighten it again. Did fluid come?',
  'flow-look-bleeder-out':
    'Take the bleeder of {point} right out, clear its hole, and watch: does fluid run by itself? Then screw it back in and close it.',
  'flow-look-three-closed':
    'Every other bleeder shut. {^point} alone open, hose in the bottle: {strokes} light strokes of the pedal, each closed before the pedal comes up. What came in all?',
  'flow-look-return': 'Wheel clear of the ground: press hard, let go. Does it turn freely by hand at once?',
  'flow-at-port': 'at the cylinder’s port',
  'flow-at-unit': 'out of the control unit',
  'flow-at-bleeder-out': 'with the bleeder out',
  'flow-at-three-closed': 'by counted light strokes',
  'flow-at-return': 'the wheel let go',
  'flow-is-comes': 'fluid comes',
  'flow-is-weak': 'little comes',
  'flow-is-nothing': 'nothing comes',
  'flow-is-frees': 'frees itself at once',
  'flow-is-drags': 'does not free itself',
  'flow-strokes-brought': '{strokes} light strokes brought',
  'flow-strokes-should': 'Free, they bring about {shouldMl} or more.',
  'look-level-and-ports': 'The reservoir: is every port covered, the strainer clear?',
  'look-pushrod-play':
    'A little play at the pushrod: without it the cylinder does not come back far enough to draw.',
  'look-thumb':
    'A thumb over the open port: it pushes, and draws back. Pushing alone is a seal that does not draw.',
  'flow-slow':
    '{point} runs at {runsMlPerMin}; its line should pass about {expectedMlPerMin}: less than half. Something is in the way: a restricted hose, a blocked bleeder, or less pressure than was set.',
  'pulls-small':
    'A pull at {point} brings {pullMl}, at {other} it brought {otherMl}: less than half with the same foot. A restricted hose is likely.',
  'look-bleeder-clear': 'Bleeder open half a turn, its hole clear? Hose kinked or pushed against its end?',
  'look-pressure-there': 'Is the pressure or vacuum really there, at this wheel?',
  'look-hose': 'The brake hose: soft, swollen, kinked? Compare it with the other side’s.',
  'look-return':
    'Its return: the wheel must free itself at once when the pedal is let go. If not, the hose has closed up inside.',
  'look-line-squashed': 'A line squashed on its way, or a cylinder that does not come all the way back.',
}

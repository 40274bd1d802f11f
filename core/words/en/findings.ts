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
  'look-port':
    'The cylinder’s port for this circuit: crack its nut with the pedal held, a rag around it. Does fluid come?',
  'look-unit': 'Where there is a control unit: the line out of it. Fluid into it and none out is the unit.',
  'look-bleeder-out':
    'The bleeder: out, its hole cleared; does fluid run by itself? Then the hose and the line before it.',
  'look-three-closed':
    'The others closed: a few light strokes with this one alone open. Then the return: does the wheel free itself at once?',
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

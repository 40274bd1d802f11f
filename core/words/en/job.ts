import type { Words } from '../say'

/** Refusals, reports and what is to be done at a place, while a job is under way. */
export const job: Words = {
  // Refusals
  'server-fault': 'The server has a fault.',
  'server-refused': 'The server did not take it.',
  'no-such-event': 'This version knows no such event.',
  'job-not-open': 'This job was never opened.',
  'job-open-already': 'This job is open already.',
  'no-such-job': 'There is no such job.',
  'another-act':
    'Another act is recorded under this one’s number: nothing was recorded. Do it again; it gets a number of its own.',
  'job-filed': 'This job is filed and its record is frozen: add an addendum.',
  'job-parked': 'This job is parked: confirm how it stands before anything goes on.',
  'no-plan': 'Take a plan first.',
  'plate-not-confirmed': 'Compare the plate first: is this the vehicle?',
  'not-filed': 'The job is still open: write it where it belongs.',
  'check-in-under-work': 'The bleed has begun: what was checked in can no longer be changed under it.',
  'not-checked-in': 'Check the vehicle in first.',
  'reading-under-work': 'The bleed has begun: a reading now belongs to the next job.',
  'not-tested': 'Check in and test before the plan is taken.',
  'plan-under-work': 'The bleed has begun under another plan.',
  'plan-stopped': 'The plan says stop: settle that first.',
  'same-vehicle': 'It stands on that vehicle already.',
  'move-under-way': 'A call is under way: bring it to its end and close first.',
  'wrong-vehicle-picked': 'Wrong vehicle picked',
  'was-poured': '{what} was poured',
  'bleed-finished': 'The bleed is finished.',
  'step-first': 'There is a step to do first.',
  'other-point': 'The order says {point} now.',
  'call-under-way-here': 'A call is under way.',
  'close-and-look-first': 'Close it and write down what came first.',
  'point-not-ready': 'Spanner and hose first.',
  'point-not-done': ({ leftMl, clean, settling }, say) =>
    `It still wants ${say.value('leftMl', leftMl)} and ${clean} clean${settling ? ', and time for fine bubbles to rise' : ''}.`,
  'gone-on': 'Another screen has gone on since: look where the two of you are now.',
  'act-not-now': 'That call does not follow from where the two of you are.',
  'look-due': 'Write down what the hose showed first.',
  'nothing-to-see': 'There is no pull to write down now.',
  'pedal-still-down': 'Bring the call to its end first: the pedal is still down.',
  'step-not-now': 'That step is not the one to do now.',
  'amount-missing': 'Write down how many mL.',
  'amount-not-asked': 'This step moves no fluid: write the amount down as poured, drawn or spilled.',
  'not-timed': 'Start the timer first: it must be held for {holdS}.',
  'too-soon': 'Keep holding: {leftS} to go. If it sank, say that it failed.',
  'no-such-reservoir': 'This vehicle has no such reservoir.',
  'stands-open': '{point} stands open: shut it first, by its own act.',
  'not-open': '{point} is not recorded open.',
  'no-such-joint': 'There is no bleeder or port {point} on this vehicle.',
  'pressure-not-named':
    'The machine’s pressure is recorded on: name it, or let it off by its own step first.',
  'prop-not-named': 'The pedal is recorded propped: name it, or take the prop out by its own step first.',
  'act-left-open': 'Left open while the job was parked',
  'pressure-on': 'The machine’s pressure is recorded on: it is let off before another bleeder is opened.',
  'ports-bare':
    'So little stands in {reservoir} that a port is bare: say under “Something went wrong” that it ran dry, or read the level again.',
  'paper-entered-once': 'Everything on the card is entered already.',
  'paper-wrong-fluid': '{spec} must not go into this vehicle: what was really poured is found out first.',
  'paper-too-little':
    '{point} is not done by this card: it wants {leastMl} at least, and {clean} clean pulls. Leave it to the bay.',
  'stands-in-other-job':
    'This vehicle stands half done in another job, in {bay}: that one is gone on with, or filed as it stands, first.',
  'another-bay': 'another bay',
  'level-unknown': 'Nobody has said how full {reservoir} is: look at its level first.',
  'not-drawn-yet': 'It has not been drawn and filled yet.',
  'reservoir-taken': 'Something stands on the reservoir: take it off first.',
  'too-late-to-draw':
    'Fluid has moved: what is old in the reservoir now nobody follows. The bleeders take the more for it.',
  'level-unseen':
    'Nobody has said how full {reservoir} is: look first, so that what is drawn counts from there.',
  'below-min-unasked':
    '{^reservoir} stands below MIN: say whether it ran dry, or stayed above its ports all the time.',
  'top-up-soon': ({ reservoir, pulls }, say) =>
    `Top up now: ${Number(pulls) === 1 ? 'one more pull' : `${pulls} more pulls`} and ${say.value('reservoir', reservoir)} stands at MIN.`,
  'top-up-due': 'Top up first: one more pull would take {reservoir} below MIN.',
  'no-tank': 'No machine feeds this stage.',
  'wrong-container': ({ code, spec, held, said, mixes }) => {
    if (said) return `${code} holds ${held}, not ${said}: read its label again.`
    const why = mixes ? 'the maker does not allow it' : 'the two must never mix'
    return code
      ? `${code} holds ${held}; ${spec} goes in here, and ${why}. Put it back.`
      : `${spec} goes in here, and ${why}: put ${held} back. If some was poured, say so under “Something went wrong”.`
  },
  'no-bottle-here':
    'No bottle can be hung at {point} now: at most {most} run, by gravity, and the first is opened by itself.',
  'no-bottle-runs': 'No bottle runs at {point}, or the one in hand is to be closed first.',
  'no-way-here': 'This stage has one way only.',
  'same-way': 'It is done that way already, or nothing here can be.',
  'way-closed': 'Not by {way}: {why}',
  'vehicle-forbids': 'this vehicle forbids it.',
  'open-not-named': '{point} is recorded open: close it, or name it as left open.',
  'pedal-would-rise': 'The pedal would come up with the bleeder open: close it first, or prop the pedal.',
  'not-parked': 'This job is not parked.',
  'found-missing': 'Say what was found.',
  'not-bled': 'Finish the bleed before proving it.',
  'no-such-check': 'This vehicle has no such check.',
  'measure-missing': 'Write down what was measured: this is no tick.',
  'level-below-max':
    'By what was poured and drawn {reservoir} stands {aboutMl} below MAX: fill it and write down how much, or say where it stands.',
  'level-above-max':
    'By what was poured and drawn {reservoir} stands {aboutMl} above MAX: look, draw it down, and say where it stands.',
  'remedy-missing': 'It failed before: write down what was done about it.',
  'proof-first': 'It rests on what is not proved yet. First: {checks}.',
  'nothing-to-undo': 'Something else was done since, so that act can no longer be taken back.',
  'still-bleeding': 'The bleed is still going on.',
  'no-bleed-stage': 'This plan has no bleed to repeat: make a new plan.',
  'paper-no-plan': 'Take a plan first: the card is of a plan.',
  'paper-under-way': 'Something is under way in the bay: bring it to its end there first.',
  'paper-incomplete': 'The card says nothing of {point}: go on there in the bay.',
  'paper-not-clean': '{point} was not clean when it was left: go on there in the bay.',
  'checked-by-same': 'Checked by is another person, or nobody.',
  'note-missing': 'Write down what the customer said.',
  'work-begun': 'The bleed has begun, so it can only be filed as fit or not fit to drive.',
  'kept-not-tested': 'Test the fluid before it is filed as kept.',
  'kept-not-a-service': 'Only a routine exchange can end with the fluid kept: this came in for more.',
  'not-fit-open': 'A call is under way: close the bleeder, or park it with what stands open.',
  'fit-parked': 'This job is parked: confirm how it stands first.',
  'fit-not-bled': 'The bleed is not finished: it cannot be filed as fit to drive.',
  'fit-not-proved': 'Not proved yet: {checks}. It cannot be filed as fit to drive.',
  // Of the shelf
  'no-such-container': 'There is no {code} on the shelf: read its label again.',
  'container-empty': '{code} is empty by the book: take another, or correct what is left in it.',
  'opened-too-long': ({ code, days, rule }, say) =>
    `${code} was opened ${days === 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`}. The shop’s rule: ${say.value('rule', rule)}. It has drawn water from the air: throw it away and open a sealed one.`,
  'opened-rule-same-job': 'never kept: an opened one is for the job that opened it',
  'opened-rule-same-day': 'the day it was opened',
  'opened-rule-thirty-days': '30 days, tightly capped',
  // Something went wrong
  'trouble-seized-title': 'Bleeder seized',
  'trouble-snapped-title': 'Bleeder snapped',
  'trouble-stripped-title': 'Bleeder stripped, will not close',
  'trouble-leaking-title': 'Hose or nut leaking',
  'trouble-ran-dry-title': 'Reservoir ran dry',
  'trouble-spilled-title': 'Fluid spilled',
  'trouble-wrong-fluid-title': 'Wrong fluid poured',
  'trouble-call-first': 'Bring the call at {point} to its end first: close it, then say it again.',
  'trouble-other-first': 'Bring {point} to its end first: close it.',
  'never-worked-at': 'That bleeder has not been worked at.',
  'not-worked-at': 'That bleeder is not being worked at.',
  'open-not-seized': 'It is open: close it. One that will not close is stripped.',
  'no-such-line': 'This vehicle has no such line.',
  'no-such-trouble': 'This version knows no such thing to go wrong.',
  'right-fluid': '{spec} is what goes in here.',
  snapped: 'snapped',
  stripped: 'is stripped',
  'fluid-of-unknown-kind': 'Fluid of an unknown kind',
  'fluid-named': '{spec}',
  'trouble-broken':
    'Bleeder {point} {what}. Its brake is opened to mend it and takes in air, so it starts again. A leak check comes before the proof.',
  'trouble-leaking':
    '{line} leaks. The joint is opened to mend it, so what lies beyond it starts again: {points}. A leak check comes before the proof.',
  'trouble-ran-dry':
    '{^reservoir} ran dry, so its cylinder drew air: at the cylinder first, then every bleeder it feeds starts again. A unit that drew air too shows as a pedal that stays soft: its routine is needed then.',
  'trouble-seized':
    'Bleeder {point} is seized: soak it, go on with the others, and come back to it last. Nothing was opened.',
  'trouble-seized-upstream':
    'Bleeder {point} is seized and stands upstream, so the others wait for it. Soak it; tighten a hair before loosening, six-point spanner.',
  'trouble-spilled-floor': 'About {aboutMl} spilled on the floor: soak it up, never into a drain.',
  'trouble-spilled-paint': 'About {aboutMl} spilled on paint: it eats it.',
  'trouble-spilled-pads':
    'About {aboutMl} spilled on pads, shoes or a disc: they no longer hold. The proof asks for them.',
  'trouble-wrong-fluid-still':
    '{what} was poured into {reservoir} and has not moved on: emptied, wiped and filled anew.',
  'trouble-wrong-fluid-mixes':
    '{spec} went into a {wanted} system: a mixture is only as good as the weaker. Reservoir exchanged, then {points} again.',
  'trouble-wrong-fluid-conversion':
    '{what} and {wanted} must never meet, and it has moved on. This plan is at an end: plan a conversion, ask the maker about the seals. Nobody presses the pedal until then.',
  'way-changed': 'From {from} on by {to}, no longer by {no}: {why}. What went through counts on.',
  'air-drawn': '{how}: air drawn in at {point}, its count starts again. {upstream}',
  'air-drawn-back':
    '{how}: air drawn in at {point}. Clean pulls are wanted anew, and at most {drawnInMl} that came back has to come out again. {upstream}',
  'act-near-bottom': 'Near the bottom',
  'act-foot-slipped': 'Foot slipped, the pedal came up',
  'act-hose-came-off': 'Hose came off, or its end left the fluid',
  'air-upstream-doubtful': 'Doubtful upstream: {doubtful}; clean pulls are wanted there again.',
  'air-upstream-cylinder': 'Upstream the cylinder may have drawn some too: watch the first pulls.',
  'air-upstream-nothing': 'Nothing upstream was finished.',
  // At a place
  'prepare-vice': 'Reservoir half full, every hose end under fluid.',
  'prepare-nut': 'Line spanner on the nut, rag under it.',
  'prepare-nut-shield': 'Face shield, or a rag over it: it is under pressure.',
  'prepare-bleeder': 'Cap off, bleeder clean. Six-point spanner that fits.',
  'prepare-access': 'Where it is: {note}.',
  'prepare-bleeder-spanner': 'Cap off, bleeder clean. {size} six-point spanner.',
  'prepare-hose': 'Hose on, its end under fluid in the bottle.',
  'close-vice': 'No bubbles, firm push: plug the ports before it leaves the vice.',
  'close-bleeder': 'Tighten to {torque}, hose off, cap on.',
  'close-nut': 'Nut tight to {torque}, wiped dry.',
  // While the unit works
  'unit-tool-rests': 'Routine chosen, not started.',
  'unit-wheel-rests': 'Every bleeder closed, hands clear of the unit.',
  'unit-cab-rests': 'Foot off, until the tool’s screen asks for the pedal.',
  'unit-tool-runs': 'Start it, and do what its screen asks. It may be fast.',
  'unit-wheel-watches': 'Watch the hose at {joint}, the bottle and the reservoir.',
  'unit-cab-follows': 'Press or hold only when the tool’s screen asks, and let go when it says so.',
  'unit-tool-chosen': 'Routine chosen for {joint}, not started.',
  'unit-wheel-opens': 'Hose on, open {joint}, half a turn, and call out that it is open.',
  // After it has left
  'follow-up-level': 'Level after a few trips',
  'follow-up-level-how':
    'Cold and level: where does the fluid stand? Below where it was left is a leak until it is found.',
  'follow-up-pedal': 'Pedal after a week of standing',
  'follow-up-pedal-how': 'Press once, before anything else: as high and firm as when it left?',
  'follow-up-wheel-nuts': 'Wheel nuts tightened again',
  'follow-up-wheel-nuts-how': 'After 50 to 100 km, to the maker’s torque, wheel cold: does any still turn?',
  'follow-up-second-flush': 'Second flush after the conversion',
  'follow-up-second-flush-how': 'Draw a sample at a bleeder: does a drop of water still show the old kind?',
  'follow-up-good': '{look}: good.',
  'follow-up-bad': '{look}: not good.',
}

import type { Words } from '../say'

/** What happened, for a trace that a person reads. */
export const events: Words = {
  'event-job-opened': ({ plate, cameBack }) =>
    cameBack ? `Opened on ${plate}, as it came back` : `Opened on ${plate}`,
  'event-checked-in': 'Checked in: {reason}, fluid {colour}',
  'event-tested': ({ readings, why }, say) => {
    const read = say.value('readings', readings)
    return read === '' ? `Not tested: ${why ?? 'no reason given'}` : `Tested: ${read}`
  },
  'tested-looked-at': 'looked at, {at}',
  'tested-ohmmeter': '{value} MΩ, {at}',
  'tested-banded-pen': '{value} % by the pen, {at}',
  'tested-degree-meter': '{valueC} by the meter, {at}',
  'tested-percent-meter': '{value} % by the meter, {at}',
  'tested-copper-strip': '{value} ppm copper, {at}',
  'tested-boiling-sampler': 'boiled at {valueC}, {at}',
  'event-planned': 'Plan taken: {totalMl} of {spec}',
  'event-paper-entered': 'Entered from the bay card: done by {doneBy} on {doneOn}, {places} places',
  'event-vehicle-moved': 'Moved from {from} to {to}: {why}',
  'event-fault-looked': ({ complaint, last }, say) =>
    `Looking for the fault (${say.value('complaint', complaint)})${last === undefined ? '' : `: ${say.value('last', last)}`}`,
  'event-fault-named': 'The fault was: {cause}',
  'fault-look': '{look}, {result}',
  'event-sheet-filled': ({ sheet, place, verdict }, say) =>
    `Sheet of ${place}, ${say.value('sheet', sheet).toLowerCase()}: ${verdict === undefined ? 'so far' : say.value('verdict', verdict).toLowerCase()}`,
  'event-line-declined': 'Declined: {what} ({note})',
  'event-line-wanted': 'Wanted after all: {what}',
  'event-filed': 'Filed as {outcome}',
  'event-addendum': 'Added: {said}',
  'event-plate-confirmed': 'Plate compared',
  'event-step': 'step {id}',
  'event-step-done': ({ step, amountMl, heldS, awaited, tookS }, say) =>
    [
      `Done: ${say.value('step', step)}`.replace(/\.$/, ''),
      ...(amountMl === undefined ? [] : [say.value('amountMl', amountMl)]),
      ...(heldS === undefined ? [] : [`held ${say.value('heldS', heldS)}`]),
      ...(awaited === undefined ? [] : [say.value('awaited', awaited)]),
      ...(tookS === undefined ? [] : [`after ${say.value('tookS', tookS)}`]),
    ].join(', '),
  'event-unit-read': ({ unit, when, codes, restKPa }, say) =>
    `${unit} read ${say.value('when', when)}: ${(codes as string[]).length === 0 ? 'no codes' : say.value('codes', codes)}${restKPa === undefined ? '' : `, at rest ${say.value('restKPa', restKPa)}`}`,
  'event-unit-fitted': '{unit}: {new} fitted for {old}, {origin}',
  'event-timer-started': 'Clock of {timer} started',
  'event-point-ready': '{point}: spanner and hose on',
  'event-call': ({ point, act, hose }, say) =>
    `${point}: ${say.value('act', act)}${hose === undefined ? '' : `, ${say.value('hose', hose)}`}`,
  'hose-clear': 'hose clear',
  'hose-bubbles': 'bubbles in the hose',
  'event-pull-seen': ({ broughtMl, colour, bubbles, pulls }, say) =>
    `${say.value('broughtMl', broughtMl)}${pulls === undefined ? '' : ` in ${pulls} pulls`}, ${colour}, bubbles: ${bubbles}`,
  'event-flow-looked': ({ point, look, is, broughtMl }, say) =>
    `${point} gives nothing, ${say.value('look', look)}: ${say.value('is', is)}${broughtMl === undefined ? '' : `, ${say.value('broughtMl', broughtMl)}`}`,
  'event-bottle-emptied': 'Bottle emptied',
  'event-bottle-hung': '{point}: bottle hung and open',
  'event-bottle-watched': '{point}: its bottle looked at',
  'event-point-finished': '{point} finished',
  'event-topped-up': '{^reservoir} to MAX with {amountMl}',
  'event-level-read': '{reservoir} read at {amountMl}',
  'event-put-away': 'Taken away: {thing}',
  'event-joint-shut': '{point}, which stood open, is shut',
  'event-drawn-again': '{reservoir} is drawn and filled once more',
  'event-joint-checked': 'Joint {joint}: {is}',
  'event-taken-off': 'Off: {what}',
  'event-put-back': 'Back on what was off',
  'event-pedal-felt': 'Pedal bites at {biteMm}, firm at {firmMm}, at its end at {bottomMm}',
  'event-bottle-weighed': 'Scale under the bottle: {amountMl} more',
  'event-place-looked': 'Proof “{check}”, {place}: {is}',
  'event-tank-read': 'Machine’s tank at {amountMl}',
  'event-container-opened': ({ spec, batch }) => `Container opened: ${spec}, batch ${batch || 'not said'}`,
  'event-trouble': 'Went wrong: {says}',
  'event-way-changed': 'On by {way}: {why}',
  'event-parked': 'Parked: {why}',
  'event-resumed': ({ asLeft, found }) =>
    asLeft ? 'Taken up again, as it was left' : `Taken up again: ${found}`,
  'event-check-proved': ({ check, passed, value, unit = '', remedy, note }, say) =>
    [
      `${say.value('check', check)}: ${passed ? 'holds' : 'FAILS'}`,
      ...(value === undefined ? [] : [`${value} ${unit}`.trim()]),
      ...(remedy ? [`after: ${remedy}`] : []),
      ...(note ? [`${note}`] : []),
    ].join(', '),
  'event-undone': 'The act before taken back',
  'event-bleed-again': 'Bled again: {why}',
}

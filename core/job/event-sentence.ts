import type { JobEvent } from './events'

/** One event in the words of the trade, for a trace that a person reads. */
export function eventSentence(event: JobEvent): string {
  switch (event.type) {
    case 'job-opened':
      return event.comebackOf ? `Opened on ${event.plate}, as it came back` : `Opened on ${event.plate}`
    case 'checked-in':
      return `Checked in: ${event.checkIn.work.reason}, fluid ${event.checkIn.colour}`
    case 'tested':
      return event.reading
        ? `Tested: ${event.reading.value} (${event.reading.kind}) from the ${event.reading.at}`
        : `Not tested: ${event.notTakenWhy ?? 'no reason given'}`
    case 'planned':
      return `Plan taken: ${Math.round(event.plan.fluid.totalMl)} mL of ${event.plan.fluid.spec}`
    case 'paper-entered':
      return `Entered from the bay card: done by ${event.doneBy} on ${event.doneOn}, ${event.points.length} places`
    case 'vehicle-moved':
      return `Moved from ${event.from.plate} to ${event.plate}: ${event.why}`
    case 'filed':
      return `Filed as ${event.outcome}`
    case 'addendum':
      return `Added: ${event.text}`
    case 'plate-confirmed':
      return 'Plate compared'
    case 'step-done':
      return `Step ${event.step} done${event.ml === undefined ? '' : `, ${event.ml} mL`}${event.heldS === undefined ? '' : `, held ${Math.round(event.heldS)} s`}`
    case 'timer-started':
      return `Clock of ${event.timer} started`
    case 'point-ready':
      return `${event.point}: spanner and hose on`
    case 'call':
      return `${event.seen.point}: ${event.act}`
    case 'pull-seen':
      return `${event.ml} mL, ${event.colour}, bubbles: ${event.bubbles}`
    case 'bottle-emptied':
      return 'Bottle emptied'
    case 'bottle-hung':
      return `${event.point}: bottle hung and open`
    case 'bottle-watched':
      return `${event.point}: its bottle looked at`
    case 'point-finished':
      return `${event.point} finished`
    case 'topped-up':
      return `${event.reservoir} to MAX with ${event.ml} mL`
    case 'level-read':
      return `${event.reservoir} read at ${event.ml} mL`
    case 'tank-read':
      return `Machine’s tank at ${event.ml} mL`
    case 'container-opened':
      return `Container opened: ${event.container.spec}, batch ${event.container.batch || 'not said'}`
    case 'trouble':
      return `Went wrong: ${Object.values(event.trouble).join(', ')}`
    case 'way-changed':
      return `On by ${event.technique}: ${event.why}`
    case 'parked':
      return `Parked: ${event.why}`
    case 'resumed':
      return event.asLeft ? 'Taken up again, as it was left' : `Taken up again: ${event.found}`
    case 'check-proved':
      return `${event.check}: ${event.passed ? 'holds' : 'FAILS'}${event.value === undefined ? '' : `, ${event.value}`}`
    case 'undone':
      return 'The act before taken back'
    case 'bleed-again':
      return `Bled again: ${event.why}`
  }
}

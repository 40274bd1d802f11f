import { type Fact, fact, type Params } from '../base/decision'
import { stepFact } from '../technique/step'
import { techniqueFact } from '../technique/technique'
import type { JobEvent } from './events'
import { offFact } from './off-things'
import { checksFor, proofFact } from './proofs/checks'
import type { JobState } from './state'
import { currentStep } from './steps'

const said = (event: JobEvent, params?: Params): Fact => fact(`event-${event.type}`, params)

/**
 * One event in the words of the trade, for a trace that a person reads.
 *
 * @param before the job as it stood: a step is told in its own words then, else by its name
 */
export function eventFact(event: JobEvent, before?: JobState): Fact {
  switch (event.type) {
    case 'job-opened':
      return said(event, { plate: event.plate, cameBack: event.comebackOf !== undefined })
    case 'checked-in':
      return said(event, { reason: event.checkIn.work.reason, colour: event.checkIn.colour })
    case 'tested':
      return said(event, {
        readings: (event.readings ?? []).map(({ tester, value, at }) =>
          fact(`tested-${tester}`, {
            [tester === 'boiling-sampler' || tester === 'degree-meter' ? 'valueC' : 'value']: value,
            at,
          }),
        ),
        why: event.notTakenWhy,
      })
    case 'planned':
      return said(event, { totalMl: event.plan.fluid.totalMl, spec: event.plan.fluid.spec })
    case 'paper-entered':
      return said(event, { doneBy: event.doneBy, doneOn: event.doneOn, places: event.points.length })
    case 'vehicle-moved':
      return said(event, { from: event.from.plate, to: event.plate, why: event.why })
    case 'fault-looked': {
      const { check, result } = event.found.at(-1) ?? {}
      if (event.was !== undefined) return fact('event-fault-named', { cause: fact(`cause-${event.was}`) })
      return said(event, {
        complaint: fact(`complaint-${event.complaint}`),
        last:
          check &&
          fact('fault-look', { look: fact(`check-${check}-name`), result: fact(`result-${result}`) }),
      })
    }
    case 'sheet-filled':
      return said(event, {
        sheet: fact(`sheet-name-${event.sheet}`),
        place: event.place,
        verdict: event.verdict && fact(`verdict-${event.verdict.value}`),
      })
    case 'line-declined':
      return fact(event.wanted ? 'event-line-wanted' : 'event-line-declined', {
        what: event.says,
        note: event.note,
      })
    case 'filed':
      return said(event, { outcome: event.outcome })
    case 'addendum':
      return said(event, { said: event.text })
    case 'step-done':
      return said(event, {
        step: stepDone(event.step, before),
        amountMl: event.ml,
        heldS: event.heldS,
        ...(event.awaited !== undefined && { awaited: fact(`came-${event.awaited}`) }),
        tookS: event.tookS,
      })
    case 'unit-read':
      return said(event, {
        unit: event.unit,
        when: fact(`unit-${event.when}`),
        codes: event.reading.codes.map(({ code, is }) => `${code} (${is})`),
        restKPa: event.reading.restKPa,
      })
    case 'unit-fitted':
      return said(event, {
        unit: event.unit,
        old: event.fitted.oldNumber,
        new: event.fitted.newNumber,
        origin: fact(`unit-${event.fitted.origin}`),
      })
    case 'timer-started':
      return said(event, { timer: event.timer })
    case 'point-ready':
    case 'point-finished':
    case 'bottle-hung':
    case 'bottle-watched':
      return said(event, { point: event.point })
    case 'call':
      return said(event, {
        point: event.seen.point,
        act: fact(`did-${event.act}`),
        hose: event.hose && fact(`hose-${event.hose}`),
      })
    case 'pull-seen':
      return said(event, {
        broughtMl: event.ml,
        colour: event.colour,
        bubbles: event.bubbles,
        pulls: event.pulls,
      })
    case 'flow-looked':
      return said(event, {
        point: event.point,
        look: fact(`flow-at-${event.look}`),
        is: fact(`flow-is-${event.is}`),
        broughtMl: event.ml,
      })
    case 'topped-up':
    case 'level-read':
      return said(event, { reservoir: event.reservoir, amountMl: event.ml })
    case 'put-away':
      return said(event, { thing: fact(`standing-${event.thing}`) })
    case 'joint-shut':
      return said(event, { point: event.point })
    case 'drawn-again':
      return said(event, { reservoir: event.reservoir })
    case 'joint-checked':
      return said(event, { joint: event.joint, is: fact(`joint-${event.is}`) })
    case 'taken-off':
      return said(event, { what: offFact(event) })
    case 'pedal-felt':
      return said(event, { biteMm: event.biteMm, firmMm: event.firmMm, bottomMm: event.bottomMm })
    case 'bottle-weighed':
    case 'tank-read':
      return said(event, { amountMl: event.ml })
    case 'container-opened':
      return said(event, { spec: event.container.spec, batch: event.container.batch })
    case 'trouble':
      return said(event, { says: event.became?.says ?? fact(`trouble-${event.trouble.what}-title`) })
    case 'way-changed':
      return said(event, { way: techniqueFact({ id: event.technique }), why: event.why })
    case 'parked':
    case 'bleed-again':
      return said(event, { why: event.why })
    case 'resumed':
      return said(event, { asLeft: event.asLeft, found: event.found })
    case 'place-looked':
      return said(event, { check: proofFact(event.check), place: event.place, is: fact(`place-${event.is}`) })
    case 'check-proved':
      return said(event, {
        check: proofFact(event.check),
        passed: event.passed,
        value: event.value,
        unit: before && checksFor(before).find(({ id }) => id === event.check)?.measure?.unit,
        remedy: event.remedy,
        note: event.note,
      })
    default:
      return said(event)
  }
}

/** The step that was due, in its words. */
function stepDone(id: string, before: JobState | undefined): Fact | string {
  const due = before?.run && currentStep({ run: before.run, standing: before.standing })?.step
  return due?.id === id ? stepFact(due) : fact('event-step', { id })
}

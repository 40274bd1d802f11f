import { applyEvent } from '~core/job/apply'
import { carefulAct, carefulProof } from '~core/job/careful'
import type { FloorEvent, Unstamped } from '~core/job/events'
import { openPoints } from '~core/job/points'
import type { Seen } from '~core/job/practice-vehicle'
import { checksFor } from '~core/job/proofs/checks'
import { bleedDone } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import { currentStep } from '~core/job/steps'
import type { ReadTime, UnitReading } from '~core/job/unit-ledger'
import type { LiveName, ScanSaid } from '~core/scan-tool/lines'
import type { SimulatedUnit } from '../../simulators/scan-tool/unit'
import { ScriptedJob } from './scripted-job'

/** With the joint open this long goes by before somebody closes it or looks, s. */
const OPEN_S = 3
/** A pedal is let up, and all of it comes back, before it is pressed anew, s. */
const UP_S = 1
const LOOK_ML = 25
const MOST_WAITS = 40
/** How long the unit works where a routine waits for it, s. */
const ROUTINE_S = 20
const MOST_ACTS = 5000

/**
 * A whole job by a careful technician on a simulated vehicle: what is done to the job is done to the vehicle, and what is
 * written down is what that vehicle shows.
 */
export class JobOnRig {
  state: JobState
  private readonly job: ScriptedJob
  private seen: Seen
  /** The tool says that its routine has run, and nothing of the unit moved. */
  routineIsIdle = false

  constructor(
    readonly unit: SimulatedUnit,
    work: object,
    methods: string[],
  ) {
    this.job = ScriptedJob.planned(unit.vehicle, work, methods)
    this.state = this.job.state
    this.seen = unit.passes(0)
  }

  private levelOf = (reservoir: string | undefined) =>
    this.unit.passes(0).reservoirs.find(({ id }) => id === reservoir)

  /** What is drawn and poured goes by the level as it stands, not as it is counted. */
  private byLevel(act: Unstamped<FloorEvent>): Unstamped<FloorEvent> {
    const { run, standing } = this.state
    if (act.type === 'level-read') return { ...act, ml: this.levelOf(act.reservoir)?.levelMl ?? act.ml }
    if (act.type === 'topped-up') {
      const at = this.levelOf(act.reservoir)
      return at ? { ...act, ml: Math.max(0, at.maxMl - at.levelMl) } : act
    }
    const step = act.type === 'step-done' && run ? currentStep({ run, standing })?.step : undefined
    const at = step ? this.levelOf(step.reservoir) : undefined
    if (!step?.asksMl || !at || act.type !== 'step-done') return act
    if (step.asksMl === 'drawn')
      return step.drawsToMl === undefined
        ? act
        : { ...act, ml: Math.max(0, Math.round(at.levelMl - step.drawsToMl)) }
    return step.fillsToMax ? { ...act, ml: Math.max(0, Math.round(at.maxMl - at.levelMl)) } : act
  }

  /** What a look writes down is what the vehicle shows, once enough has come. */
  private asSeen(act: Unstamped<FloorEvent>): Unstamped<FloorEvent> {
    if (act.type !== 'pull-seen' || !this.state.run) return this.byLevel(act)
    const open = openPoints(this.state.run).length > 0
    for (let n = 0; open && n < MOST_WAITS && this.seen.sinceMl < LOOK_ML; n++)
      this.seen = this.unit.passes(OPEN_S)
    const { sinceMl, colour, bubbles } = this.seen
    return { ...act, ml: Math.max(0, Math.round(sinceMl * 10) / 10), colour, bubbles }
  }

  do(act: Unstamped<FloorEvent>): void {
    const refusal = this.refusal(act)
    if (refusal !== undefined) throw new Error(`${act.type}: ${refusal}`)
  }
  /** Do it, or say why it is refused. */
  refusal(act: Unstamped<FloorEvent>): string | undefined {
    const { run, standing } = this.state
    const waits = run && act.type === 'step-done' && currentStep({ run, standing })?.step.awaits !== undefined
    if (waits && !this.routineIsIdle) this.unit.works(ROUTINE_S)
    const event = this.job.event(this.asSeen(act))
    const applied = applyEvent(this.state, event)
    if (!applied.ok) return applied.refusal.code
    this.state = applied.state
    this.unit.follow(applied.event as FloorEvent, this.state)
    const open = this.state.run !== undefined && openPoints(this.state.run).length > 0
    this.seen = this.unit.passes(open ? OPEN_S : UP_S)
    return undefined
  }

  /** What the unit says of itself, at rest and under a firm foot, written down. */
  read(when: ReadTime): void {
    const atRest = this.unit.read()
    // A pedal is measured once the pads lie against their discs.
    for (let n = 0; n < 4; n++) {
      this.unit.press(false)
      this.unit.press(true)
    }
    const pressed = this.unit.read()
    this.unit.press(false)
    const live = (said: readonly ScanSaid[], name: LiveName) =>
      said.flatMap((each) => (each.says === 'live' && each.name === name ? [each.value] : []))[0]
    const codes = atRest.flatMap((each) =>
      each.says === 'code' ? [{ code: each.code, is: each.is, says: each.text }] : [],
    )
    const reading: UnitReading = {
      from: 'tool',
      codes,
      calibration: 'done',
      lamp: codes.length > 0 ? 'on' : 'out',
      restKPa: live(atRest, 'pressure'),
      pressedKPa: live(pressed, 'pressure'),
      pedalMm: live(pressed, 'pedal'),
    }
    this.do({ type: 'unit-read', unit: this.unit.unit?.id ?? '', when, reading })
  }

  /** Prove what comes before one check, as far as it can be; on the road the unit works. @returns why one was refused */
  proved(before?: string): string | undefined {
    for (const check of checksFor(this.state)) {
      if (check.id === before) return undefined
      if (check.units) this.read(check.units === 'driven' ? 'driven' : 'after')
      for (const act of carefulProof(this.state, check)) {
        const refusal = act.type === 'unit-read' ? undefined : this.refusal(act)
        if (refusal !== undefined) return refusal
      }
      if (check.id === 'road-test') this.unit.drive()
    }
    return undefined
  }

  /** Until something is so, or the bleed is finished. */
  goOn(reached: (state: JobState) => boolean = () => false): this {
    for (let n = 0; n < MOST_ACTS && !reached(this.state); n++) {
      const act = carefulAct(this.state)
      if (!act) return this
      this.do(act)
    }
    if (!reached(this.state) && !bleedDone(this.state)) throw new Error('it came to no end')
    return this
  }
}

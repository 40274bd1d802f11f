import { addSeconds } from 'date-fns'
import { applyEvent, replay } from '~core/job/apply'
import { carefulAct, carefulProof } from '~core/job/careful'
import type { JobEvent, Person, Unstamped } from '~core/job/events'
import { callNow } from '~core/job/points'
import { checksFor } from '~core/job/proofs/checks'
import type { JobState } from '~core/job/state'
import type { TroubleSaid } from '~core/job/troubles'
import { makePlan } from '~core/plan/plan'
import { shopSchema, type Work, workSchema } from '~core/plan/request'
import type { CallAct } from '~core/technique/calls'
import type { Vehicle } from '~core/vehicle/schema'

export type Act = Unstamped<JobEvent>

export const una: Person = { id: 'una', name: 'Una Brack' }
export const osk: Person = { id: 'osk', name: 'Osk Teller' }

/** A job acted out event by event; every act goes through the real reducer. */
export class ScriptedJob {
  readonly events: JobEvent[] = []
  private now: JobState | undefined
  by: Person = una

  /** Checked in, and nothing read of the fluid. */
  static checkedInOnly(vehicle: Vehicle, work: object, levelMl?: number): ScriptedJob {
    const job = new ScriptedJob()
    job.do({ type: 'job-opened', vehicleId: 'v', plate: 'ISL 4', vehicle })
    const read = workSchema.parse(work)
    const portsStayedCovered = read.levelMl !== undefined && !read.ranDry
    const checkIn = { work: read, colour: 'brown', note: '', levelMl, portsStayedCovered } as const
    return job.do({ type: 'checked-in', checkIn })
  }

  /** Checked in and tested, with no plan yet. */
  static checkedIn(vehicle: Vehicle, work: Work, levelMl?: number): ScriptedJob {
    const job = ScriptedJob.checkedInOnly(vehicle, work, levelMl)
    return job.do({ type: 'tested', tester: '', notTakenWhy: 'open' })
  }

  /** Checked in, tested, planned, and the plate compared. */
  static planned(vehicle: Vehicle, work: object, methods: string[], levelMl?: number): ScriptedJob {
    const read = workSchema.parse(work)
    const shop = shopSchema.parse({ methods })
    const job = ScriptedJob.checkedIn(vehicle, read, levelMl)
    job.do({ type: 'planned', shop, plan: makePlan({ vehicle, work: read, shop }) })
    return job.do({ type: 'plate-confirmed' })
  }

  get state(): JobState {
    if (!this.now) throw new Error('nothing has happened yet')
    return this.now
  }
  get run() {
    if (!this.state.run) throw new Error('there is no run')
    return this.state.run
  }
  /** What is known of a point in the newest stage reached that works at it. */
  point(id: string) {
    return this.run.stages.slice(0, this.run.stageIndex + 1).findLast(({ at }) => at[id])?.at[id]
  }

  /** Time goes by. */
  wait(seconds: number): this {
    this.seconds += seconds
    return this
  }
  private seconds = 0

  event(act: Act): JobEvent {
    const id = `scripted-job-${String(this.events.length + 1).padStart(8, '0')}`
    const at = addSeconds('2026-05-04T08:00:00.000Z', this.seconds).toISOString()
    return { by: this.by, ...act, id, at } as JobEvent
  }

  do(act: Act): this {
    const event = this.event(act)
    const applied = applyEvent(this.now, event)
    if (!applied.ok) throw new Error(`${act.type}: ${applied.refusal.code}`)
    this.now = applied.state
    this.events.push(applied.event)
    return this
  }

  /** Why an act is refused now; undefined where it is not. */
  refusal(act: Act): string | undefined {
    const applied = applyEvent(this.now, this.event(act))
    return applied.ok ? undefined : applied.refusal.code
  }

  /** Why a plan could not be taken now. */
  refusalOfPlan(): string | undefined {
    const { vehicle, checkIn } = this.state
    if (!checkIn) throw new Error('not checked in')
    const shop = shopSchema.parse({ methods: ['two-person', 'bench'] })
    return this.refusal({ type: 'planned', shop, plan: makePlan({ vehicle, work: checkIn.work, shop }) })
  }

  /** A call as the screen would send it, from where things are now. */
  callOf = (act: CallAct): Act => callNow(this.run, act, this.state.callTurn ?? 0)
  call(...acts: CallAct[]): this {
    for (const act of acts) this.do(this.callOf(act))
    return this
  }
  trouble(trouble: TroubleSaid): this {
    return this.do({ type: 'trouble', trouble })
  }
  undo(): this {
    return this.do({ type: 'undone', event: this.state.undoable.at(-1)?.eventId ?? 'none' })
  }

  /** Go on as a careful technician would until something is so. */
  until(reached: (job: this) => boolean): this {
    for (let i = 0; i < 3000 && !reached(this); i++) {
      const act = carefulAct(this.state)
      if (!act) throw new Error('the careful technician has nothing left to do')
      this.do(act)
    }
    return this
  }
  bledToTheEnd(): this {
    for (let act = carefulAct(this.state); act; act = carefulAct(this.state)) this.do(act)
    return this
  }
  /** Everything there is to prove, or what comes before one check. */
  proved(before?: string): this {
    for (const check of checksFor(this.state)) {
      if (check.id === before) break
      for (const act of carefulProof(this.state, check)) this.do(act)
    }
    return this
  }

  /** The state that the events alone give. */
  replayed = (): JobState => replay(this.events)
}

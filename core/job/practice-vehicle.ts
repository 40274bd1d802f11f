import type { Bubbles, Colour } from '../fluid/specs/colour'
import { bleedSettings } from '../plan/answer'
import { type Feed, feedsOf } from '../plan/feeds'
import { holdValves } from '../plan/hold-valves'
import { Rig } from '../rig/run'
import { techniqueOf } from '../technique'
import { callStep } from '../technique/calls'
import type { Step } from '../technique/step'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import type { FloorEvent } from './events'
import { callOf, currentPoint, currentStage } from './points'
import type { Hidden } from './practice-hides'
import type { JobState } from './state'
import { currentStep } from './steps'

type Shown = { ml: number; colour: Colour; bubbles: Bubbles }
/** One look, by its number from 1 on. */
export type Look = { n: number; point: string; shown: Shown; wrote: Shown }

/** What somebody at the wheel and in the cab can see and feel now. */
export type Seen = {
  /** In the bottle at this bleeder, and of it since the last look. */
  bottleMl: number
  sinceMl: number
  colour: Colour
  bubbles: Bubbles
  reservoirs: { id: string; levelMl: number; minMl: number; maxMl: number }[]
  pedalMm: number
  /** Every look so far: what the vehicle showed, and what was written down. */
  looks: readonly Look[]
  /** So many times as fast as in a workshop. */
  speed: number
}

/** No step of the page lets more than this go by at once, s. */
const MOST_AT_ONCE_S = 20
/** A stroke of somebody alone, down and up. @source from memory */
const STROKE_S = 3
/** Old share by which the hose still looks so; below the last it is as new. @source from memory */
const LOOKS: readonly (readonly [number, Colour])[] = [
  [0.5, 'dark'],
  [0.2, 'brown'],
  [0.05, 'amber'],
]
/** Air since the last look by which it shows as this, mL. @source from memory */
const SHOWS: readonly (readonly [number, Bubbles])[] = [
  [0.4, 'slug'],
  [0.08, 'string'],
  [0.01, 'froth'],
]

/** A light foot while a port is cracked, N. @source from memory */
const PORT_N = 100
/** Ports of a cylinder are worked at like bleeders: by its own foot, from its own reservoir. */
const portsOf = (vehicle: Vehicle): [string, Feed][] =>
  partsOf(vehicle, 'master-cylinder').flatMap(({ id: cylinder, chambers, fedBy }) =>
    chambers.map(({ id }): [string, Feed] => [id, { reservoir: fedBy, foot: { cylinder, effortN: PORT_N } }]),
  )

/** Air that it holds as it comes in, by part or line, and in the closed branches of a unit, mL. */
export type HeldAir = { airMl?: Record<string, number>; closedAirMl?: Record<string, number> }

/** A vehicle to practise on that answers as a real one would: what is done to the job is done to it. */
export class PracticeVehicle {
  readonly rig: Rig
  private readonly feeds: Map<string, Feed>
  private point: string | undefined
  private readonly open = new Set<string>()
  private pressing: string | undefined
  /** The pedal that is down for a tool. */
  private heldForTool: string | undefined
  private speed = 1
  private strokes = false
  /** The unit whose pump and valves work while a bleeder stands open. */
  private unitWorks: string | undefined
  /** Time that went by since the last whole stroke, s. */
  private owedS = 0
  private looks: readonly Look[] = []
  /** As it stood when somebody looked last, by bleeder. */
  private readonly looked = new Map<string, { ml: number; airMl: number }>()

  constructor(
    readonly vehicle: Vehicle,
    hides: Hidden,
    tempC: number,
    { airMl = {}, closedAirMl = {} }: HeldAir = {},
  ) {
    this.rig = new Rig({
      vehicle,
      start: {
        airMl: { ...hides.airMl, ...airMl },
        closedAirMl,
        tempC,
        // On a lift: what an axle's load holds open is shut until the step that holds it.
        axlesHang: true,
      },
      faults: hides.faults,
    })
    this.feeds = new Map([...feedsOf(vehicle), ...portsOf(vehicle)])
  }

  /** Let so many seconds of the page go by. */
  pass(seconds: number): void {
    const left = Math.min(MOST_AT_ONCE_S, seconds) * this.speed
    const foot = this.point === undefined ? undefined : this.feeds.get(this.point)?.foot
    const works = this.open.size > 0 ? this.unitWorks : undefined
    if (!this.strokes || this.open.size === 0 || !foot) {
      if (left > 0)
        this.rig.do(works === undefined ? { do: 'wait', for: left } : { do: 'cycle', unit: works, for: left })
      this.owedS = 0
      return
    }
    // A stroke is whole: what is too little for one counts for the next.
    for (this.owedS += left; this.owedS >= STROKE_S; this.owedS -= STROKE_S) {
      this.rig.do({ do: 'press', ...foot, overS: 0.5, for: STROKE_S / 2 })
      if (works !== undefined) this.rig.do({ do: 'cycle', unit: works, for: STROKE_S / 2 })
      this.rig.do({ do: 'release', cylinder: foot.cylinder, overS: 0.5, for: STROKE_S / 2 })
    }
  }

  /** Do to it what was just recorded, as the job stood before and stands now. */
  follow(before: JobState, event: FloorEvent, after: JobState): void {
    if (event.type === 'topped-up')
      this.rig.do({ do: 'pour', reservoir: event.reservoir, ml: event.ml, for: 0 })
    const step = before.run && currentStep({ run: before.run, standing: before.standing })?.step
    if (event.type === 'step-done' && step) this.doStep(step, event.ml)
    if (event.type === 'pull-seen' && this.point !== undefined) {
      const { sinceMl, colour, bubbles } = this.seen()
      const wrote = { ml: event.ml, colour: event.colour, bubbles: event.bubbles }
      const shown = { ml: sinceMl, colour, bubbles }
      this.looks = [...this.looks, { n: this.looks.length + 1, point: this.point, shown, wrote }]
      this.looked.set(this.point, { ...this.cameAt(this.point) })
    }
    this.take(after)
  }

  /** What a step does to the vehicle, as it was confirmed. */
  private doStep(step: Step, ml: number | undefined): void {
    const { asksMl, bottle, foot, pressesHome = [] } = step
    const reservoir = step.reservoir ?? partsOf(this.vehicle, 'reservoir')[0]?.id
    if (asksMl && ml !== undefined && reservoir !== undefined)
      this.rig.do({ do: asksMl === 'drawn' ? 'draw' : 'pour', reservoir, ml, for: 0 })
    holdValves(this.rig, step)
    if (bottle)
      for (const { id } of this.rig.assembly.tanks)
        this.rig.do({ do: 'feed', reservoir: id, on: bottle === 'on', for: 0 })
    if (foot === 'release') this.footUp()
    if (foot === 'hold' || foot === 'pump') this.footDown()
    if (foot === 'pump') this.footUp()
    for (const brake of pressesHome) this.rig.do({ do: 'push-back', brake, for: 20 })
  }
  private footDown(): void {
    const foot = [...this.feeds.values()].find((feed) => feed.foot)?.foot
    if (!foot) return
    this.rig.do({ do: 'press', ...foot, overS: 0.3, for: 0.6 })
    this.heldForTool = foot.cylinder
  }
  private footUp(): void {
    if (this.heldForTool !== undefined)
      this.rig.do({ do: 'release', cylinder: this.heldForTool, overS: 0.5, for: 1 })
    this.heldForTool = undefined
  }

  private isPort = (id: string): boolean =>
    this.rig.assembly.outlets.some((outlet) => outlet.id === id && outlet.kind === 'joint')

  /** Hands as the call has them now. */
  private take({ run, planned }: JobState): void {
    const stageRun = run && currentStage(run)
    if (!run || !stageRun) return
    const point = run.callAt ?? currentPoint(run)
    const call = callOf(stageRun.stage)
    const step = callStep(call, run.call)
    const { technique } = stageRun.stage
    const way = technique === undefined ? undefined : techniqueOf(technique)
    const foot = point === undefined ? undefined : this.feeds.get(point)?.foot
    const down = step?.cab === 'hold' || (step?.cab === 'press' && run.call !== 'rest')
    const reservoir = point === undefined ? undefined : this.feeds.get(point)?.reservoir
    // The foot is down before it is opened; it is closed before the foot is let go.
    if (down && foot && this.pressing === undefined) {
      this.rig.do({ do: 'press', ...foot, overS: 0.3, for: 0.5 })
      this.pressing = foot.cylinder
    }
    // Bottles that hang elsewhere stand open too.
    const opens = new Set([
      ...(run.hung ?? []).map((each) => each.point),
      ...(step?.open && point !== undefined ? [point] : []),
    ])
    const hose = way?.needs.includes('check-valve-hose') ? 'check-valve' : 'under-fluid'
    for (const id of this.open)
      if (!opens.has(id))
        this.rig.do(
          this.isPort(id) ? { do: 'tighten', at: id, for: 0.2 } : { do: 'close', bleeder: id, for: 0.2 },
        )
    for (const id of opens)
      if (!this.open.has(id))
        this.rig.do(
          this.isPort(id)
            ? { do: 'crack', at: id, for: 0.1 }
            : { do: 'open', bleeder: id, turns: 0.5, hose, for: 0.1 },
        )
    this.open.clear()
    for (const bleeder of opens) this.open.add(bleeder)
    if (!down && this.pressing !== undefined) {
      this.rig.do({ do: 'release', cylinder: this.pressing, overS: 0.3, for: 0.6 })
      this.pressing = undefined
    }
    if (way?.drives === 'machine' && reservoir !== undefined && planned) {
      this.rig.do({ do: 'feed', reservoir, on: true, for: 0 })
      const kPa = opens.size > 0 ? (bleedSettings(planned.plan).pressureKPa ?? 0) : 0
      this.rig.do({ do: 'pressurise', reservoir, kPa, for: 0 })
    }
    if (way?.drives === 'vacuum' && point !== undefined)
      this.rig.do({
        do: 'vacuum',
        bleeder: point,
        kPa: opens.size > 0 ? (planned?.plan.vacuumKPa ?? 0) : 0,
        for: 0,
      })
    this.strokes = call.strokesOpen === true
    this.unitWorks = way?.drives === 'unit' ? partsOf(this.vehicle, 'control-unit')[0]?.id : undefined
    this.speed = way?.drives === 'foot' || way?.drives === 'unit' ? 1 : way?.drives === 'gravity' ? 20 : 4
    this.point = point
  }

  /** What came at a bleeder, with the bubbles that a vacuum drew past its thread: the eye cannot tell them apart. */
  private cameAt(point: string): { ml: number; airMl: number } {
    const { ml, airMl } = this.rig.came.get(point) ?? { ml: 0, airMl: 0 }
    return { ml, airMl: airMl + (this.rig.falseAirMl.get(point) ?? 0) }
  }

  seen(): Seen {
    const now = this.point === undefined ? { ml: 0, airMl: 0 } : this.cameAt(this.point)
    const last = (this.point !== undefined && this.looked.get(this.point)) || { ml: 0, airMl: 0 }
    const outlet = this.rig.assembly.outlets.find(({ id }) => id === this.point)
    const share = outlet?.bottleOld ?? 1
    const airMl = now.airMl - last.airMl
    return {
      bottleMl: now.ml,
      sinceMl: now.ml - last.ml,
      colour: LOOKS.find(([least]) => share >= least)?.[1] ?? 'new',
      bubbles: SHOWS.find(([least]) => airMl >= least)?.[1] ?? 'none',
      reservoirs: this.rig.assembly.tanks.map(({ id, levelMl, minMl, maxMl }) => ({
        id,
        levelMl,
        minMl,
        maxMl,
      })),
      pedalMm: Math.max(0, ...partsOf(this.vehicle, 'master-cylinder').map(({ id }) => this.rig.pedalMm(id))),
      looks: this.looks,
      speed: this.speed,
    }
  }
}

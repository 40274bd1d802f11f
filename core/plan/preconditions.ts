import { fact } from '../base/decision'
import { atDesk, atTool, atWheel, inCab, isRoutineStep, type Step } from '../technique/step'
import type { Corner } from '../technique/technique'
import { sourcePart } from '../vehicle/network'
import type { Part, PartOf, Vehicle } from '../vehicle/schema'
import type { Stage } from './answer'
import { powerUp } from './stage-steps'

/** What decides whether a part asks for a step. */
export type Asks = {
  vehicle: Vehicle
  stages: readonly Stage[]
  /** Every bleeder in scope, with the lines that lead to it. */
  corners: readonly Corner[]
  /** The control unit is new, was opened, or stood empty: it must not wake before the base bleed. */
  unitEmpty: boolean
  /** Air may stand in the cylinder: it was opened, ran dry, or the pedal is soft. */
  airSuspected: boolean
  /** Wrong fluid comes out that a drop in water tells from the right one. */
  dropTest: boolean
  /** Rubber made for one base meets the other. */
  rubber: boolean
}

/** Where a step stands: at the beginning or end of a stage, found in this plan. */
type Place = (stages: readonly Stage[], asks: Asks) => { stage: number; at: 'before' | 'after' } | undefined
type Placed = { place: Place; step: Step }

/** One thing a part of this vehicle wants before the work, and what undoes it. What is put on must come off again. */
type Precondition = {
  applies: (asks: Asks) => boolean
  begin?: Placed
  end?: Placed
  /** What is unplugged meanwhile, to be counted back. */
  unplugs?: string
}

const opensJoints = ({ kind, order }: Stage) => kind === 'port-bleed' || order.length > 0
const opens = ({ order, kind }: Stage) => order.length > 0 && (kind === 'bleed' || kind === 'control-unit')
const at =
  (find: (stages: readonly Stage[]) => number, side: 'before' | 'after'): Place =>
  (stages) => {
    const stage = find(stages)
    return stage < 0 ? undefined : { stage, at: side }
  }
const firstOf = (matches: (stage: Stage) => boolean) => (stages: readonly Stage[]) =>
  stages.findIndex(matches)
const lastOf = (matches: (stage: Stage) => boolean) => (stages: readonly Stage[]) =>
  stages.findLastIndex(matches)

const atTheVeryBeginning = at(() => 0, 'before')
const beforeProof = at((stages) => stages.length - 2, 'after')
const beforeWheels = at(firstOf(opens), 'before')
const afterWheels = at(lastOf(opens), 'after')
/** Where some bleeders are opened first, or last: where systems come in turn that need not be the first bleed. */
const around =
  (bleedersOf: (asks: Asks) => Set<string>, side: 'before' | 'after'): Place =>
  (stages, asks) => {
    const mine = bleedersOf(asks)
    const matches = (stage: Stage) => opens(stage) && stage.order.some((id) => mine.has(id))
    const stage = side === 'before' ? stages.findIndex(matches) : stages.findLastIndex(matches)
    return stage < 0 ? undefined : { stage, at: side }
  }
const beforeUnit = at(
  firstOf(({ kind }) => kind === 'control-unit'),
  'before',
)
const afterUnit = at(
  lastOf(({ kind }) => kind === 'control-unit'),
  'after',
)

const brakesInScope = ({ corners }: Asks): PartOf<'wheel-brake'>[] =>
  corners.flatMap(({ part }) => (part.type === 'wheel-brake' ? [part] : []))
const brake = (matches: (part: PartOf<'wheel-brake'>) => boolean) => (asks: Asks) =>
  brakesInScope(asks).some(matches)
/** A part that fluid of this work goes through. */
const passed = (matches: (part: Part) => boolean) => (asks: Asks) => {
  const on = new Set(
    asks.corners.flatMap(({ part, route }) => [part.id, ...(route?.lines.map(({ to }) => to) ?? [])]),
  )
  return asks.vehicle.parts.some((part) => on.has(part.id) && matches(part))
}
const valve = (role: PartOf<'valve'>['role']) => passed((part) => part.type === 'valve' && part.role === role)
const byWire = ({ vehicle }: Asks) =>
  vehicle.parts.some((part) => part.type === 'control-unit' && part.role === 'brake-by-wire')
const hasUnitStage = ({ stages }: Asks) => stages.some(({ kind }) => kind === 'control-unit')
/** What a routine unplugs and plugs back by its own steps. */
const unpluggedByRoutine = ({ stages }: Pick<Asks, 'stages'>): string[] => [
  ...new Set(
    stages.flatMap(({ before, after }) =>
      [...before, ...after].flatMap((step) =>
        isRoutineStep(step) && step.foot === undefined ? (step.sets ?? []) : [],
      ),
    ),
  ),
]
const unplugsItself = (asks: Asks) => unpluggedByRoutine(asks).includes('level-sensor')
/** Bleeders of calipers that have to be hung. */
const hungBleeders = ({ corners }: Asks): Set<string> =>
  new Set(
    corners.flatMap(({ part, bleeder }) =>
      part.type === 'wheel-brake' && part.bleederAtTop === false ? bleeder.id : [],
    ),
  )
/** Bleeders that a lever on a handlebar feeds. */
const barBleeders = ({ vehicle, corners }: Asks): Set<string> =>
  new Set(
    vehicle.kind === 'motorcycle' || vehicle.kind === 'quad'
      ? corners.flatMap(({ bleeder, route }) => {
          const source = route && sourcePart(vehicle, route.sourceId)
          return source?.type === 'master-cylinder' && source.actuator === 'lever' ? bleeder.id : []
        })
      : [],
  )
const onBar = (asks: Asks) => around(barBleeders, 'before')(asks.stages, asks) !== undefined

/** Everything a part may ask for, in the order it is done. A new one is one entry here. @source common practice */
const preconditions: readonly Precondition[] = [
  {
    applies: brake(({ parkingBrake }) => parkingBrake === 'electric'),
    begin: {
      place: atTheVeryBeginning,
      step: { ...atTool('service-mode'), sets: 'service-mode' },
    },
    end: {
      place: beforeProof,
      step: { ...atTool('service-mode-out'), clears: 'service-mode' },
    },
  },
  {
    // Before the level is read; before each opening it is let down anew below.
    applies: byWire,
    begin: {
      place: atTheVeryBeginning,
      step: atTool('accumulator'),
    },
  },
  {
    applies: ({ unitEmpty }) => unitEmpty,
    begin: {
      place: atTheVeryBeginning,
      step: { ...atTool('unpower-unit'), sets: 'unit-unplugged' },
    },
    end: { place: beforeUnit, step: powerUp },
    unplugs: 'control-unit',
  },
  {
    // Where its routine does not say so itself.
    applies: (asks) => byWire(asks) && hasUnitStage(asks) && !unplugsItself(asks),
    begin: {
      place: beforeUnit,
      step: { ...atTool('level-sensor-off'), bottle: 'on', sets: 'level-sensor' },
    },
    end: {
      place: afterUnit,
      step: { ...atTool('level-sensor-back'), bottle: 'off', clears: 'level-sensor' },
    },
    unplugs: 'level-sensor',
  },
  {
    applies: hasUnitStage,
    end: { place: afterUnit, step: { ...atTool('battery-off'), clears: 'battery' } },
  },
  {
    applies: valve('load-sensing'),
    begin: {
      place: beforeWheels,
      step: { ...atWheel('load-axle'), sets: 'axle-loaded' },
    },
    end: { place: afterWheels, step: { ...atWheel('unload-axle'), clears: 'axle-loaded' } },
  },
  {
    applies: valve('deceleration'),
    begin: { place: beforeWheels, step: atWheel('level-car') },
  },
  {
    applies: (asks) => asks.vehicle.kind === 'trailer',
    begin: {
      place: beforeWheels,
      step: { ...atWheel('lockout'), sets: 'lockout' },
    },
    end: { place: afterWheels, step: { ...atWheel('lockout-back'), clears: 'lockout' } },
  },
  {
    applies: brake((part) => part.brake === 'drum'),
    begin: {
      place: beforeWheels,
      step: atWheel('adjust-shoes'),
    },
  },
  {
    applies: brake(({ parkingBrake }) => parkingBrake === 'built-in'),
    begin: {
      place: beforeWheels,
      step: inCab('lever-released'),
    },
  },
  {
    // A hollow bolt that nobody has to open stays shut: it wants new washers and its torque afterwards.
    applies: (asks) => onBar(asks) && !asks.airSuspected,
    begin: {
      place: around(barBleeders, 'before'),
      step: atWheel('bars-turn', undefined, 'bars'),
    },
  },
  {
    applies: (asks) => onBar(asks) && asks.airSuspected,
    begin: {
      place: around(barBleeders, 'before'),
      step: atWheel('bars-crack', undefined, 'bars'),
    },
  },
  {
    applies: ({ dropTest }) => dropTest,
    end: { place: afterWheels, step: atWheel('water-drop') },
  },
  {
    applies: ({ rubber }) => rubber,
    begin: { place: atTheVeryBeginning, step: atDesk('rubber-renewed') },
  },
  {
    applies: brake(({ bleederAtTop }) => bleederAtTop === false),
    begin: {
      place: around(hungBleeders, 'before'),
      step: { ...atWheel('hang-caliper'), sets: 'caliper-hung' },
    },
    end: {
      place: around(hungBleeders, 'after'),
      step: { ...atWheel('refit-caliper'), clears: 'caliper-hung' },
    },
  },
  {
    applies: valve('pressure-difference'),
    end: {
      place: beforeProof,
      step: atWheel('centre-switch'),
    },
  },
]

/**
 * The stages with what this vehicle's parts ask for added as steps: each at the stage where it matters, and each
 * that is put on, held or unplugged taken off again at the stage where it no longer does.
 */
export function withPreconditions(asks: Asks): Stage[] {
  const stages = asks.stages.map((stage) => ({
    ...stage,
    before: [...stage.before],
    after: [...stage.after],
  }))
  if (stages.length < 2) return stages
  const begun: (Stage['before'] | undefined)[] = stages.map(() => undefined)
  const put = ({ place, step }: Placed) => {
    const found = place(stages, asks)
    const stage = found && stages[found.stage]
    if (!found || !stage) return
    if (found.at === 'after') stage.after.push(step)
    else begun[found.stage] = [...(begun[found.stage] ?? []), step]
  }
  const applying = preconditions.filter(({ applies }) => applies(asks))
  // What begins is done before the stage's own steps, in the order listed.
  for (const { begin } of applying) if (begin) put(begin)
  for (const { end } of applying) if (end?.place(stages, asks)?.at === 'before') put(end)
  for (const [i, steps] of begun.entries()) {
    const stage = stages[i]
    if (steps && stage) stage.before = [...steps, ...stage.before]
  }
  if (byWire(asks)) letDownAnew(stages)
  const unplugged = [...applying.flatMap(({ unplugs }) => unplugs ?? []), ...unpluggedByRoutine(asks)]
  for (const { end } of applying)
    if (end?.place(stages, asks)?.at === 'after' && end.place !== beforeProof) put(end)
  if (unplugged.length > 0)
    put({
      place: beforeProof,
      step: atWheel('connectors-back', {
        plugs: unplugged.map((plug) => fact(`plug-${plug}`)),
        count: unplugged.length,
      }),
    })
  for (const { end } of applying) if (end?.place === beforeProof) put(end)
  return stages
}

/**
 * An accumulator charges again at every routine, power-up and door: it is let down anew before each opening, but for as
 * long as its unit is unplugged, and after the step that wakes it.
 */
function letDownAnew(stages: Stage[]): void {
  const has = ({ before }: Stage, code: string) => before.some((step) => step.code === code)
  const asleepFrom = stages.findIndex((stage) => has(stage, 'unpower-unit'))
  const wakes = stages.findIndex((stage) => has(stage, powerUp.code))
  for (const [i, stage] of stages.entries()) {
    const asleep = asleepFrom >= 0 && i >= asleepFrom && (wakes < 0 || i < wakes)
    if (i === 0 || asleep || !opensJoints(stage)) continue
    const at = stage.before.findIndex(({ code }) => code === powerUp.code) + 1
    stage.before = [...stage.before.slice(0, at), atTool('accumulator'), ...stage.before.slice(at)]
  }
}

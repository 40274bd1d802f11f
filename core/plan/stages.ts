import { type Basis, fact, type Params, type Reason, reason } from '../base/decision'
import { fluidOf } from '../fluid/specs'
import { cylinderMl } from '../physics/hydraulics/cylinder'
import type { Choice } from '../technique/choose'
import { techniqueOf } from '../technique/index'
import type { Steps } from '../technique/step'
import {
  type Corner,
  type MethodContext,
  type MethodMinutes,
  noSteps,
  type Technique,
} from '../technique/technique'
import { partsOf, reservoirFact } from '../vehicle/parts'
import { againMl, closedBranchesMl, fedBy, type ReservoirWork } from './amounts'
import type { Stage } from './answer'
import { placesOfStage } from './places'
import { withPreconditions } from './preconditions'
import { fluidUsed, type Prepared } from './prepare'
import type { PlanRequest } from './request'
import { leakCheckSteps, machineLeakSteps, ownSteps } from './stage-steps'
import { unitsToCycle } from './units'
import { volumesInOrder } from './volumes'

/** Full strokes of every chamber that end in the catch pan. @source from memory */
const BENCH_STROKES = 3
const PORT_STROKES = 4
/** Hands' time of the stages that are no bleeding, minutes. @source from memory */
const HANDLING_MINUTES = {
  'reservoir-exchange': 6,
  'wipe-reservoir': 15,
  'slow-fill': 10,
  wait: 10,
  'port-bleed': 12,
  'leak-check': 5,
  prove: 15,
} as const

/** What the stages are made from: a request, and what was prepared of it. */
type Build = Prepared & { request: PlanRequest; reasons: Reason[] }

/** The stages with the places each is worked at, and the reasons for what was added. */
export function buildStages(
  request: PlanRequest,
  prepared: Prepared,
): { stages: Stage[]; reasons: Reason[] } {
  const build: Build = { ...prepared, request, reasons: [] }
  const { reasons, scope } = build
  const { bench, ports } = cylinderStages(build)
  const early = scope.leakCheck ? machineLeakCheck(build) : []
  const stages = [...bench, ...systemsInTurn(build, [...ports, ...early])]
  if (scope.leakCheck) {
    reasons.push(reason('joints-opened', 'practice'))
    stages.push(plainStage(build, 'leak-check', 0, ['joints-opened']))
  }
  reasons.push(reason('prove-always', 'practice'))
  stages.push(plainStage(build, 'prove', 0, ['prove-always']))
  const complete = withPreconditions({
    vehicle: request.vehicle,
    stages,
    corners: [...prepared.corners, ...prepared.unitCorners],
    unitEmpty: scope.unit && unitsToCycle(request).length > 0,
    airSuspected: scope.cylinder !== 'none' || request.work.reason === 'soft-pedal',
    dropTest: request.work.reason === 'conversion' && fluidOf(fluidUsed(request)).base === 'glycol',
    rubber: request.work.reason === 'conversion' && basesMeet(request),
  })
  const placed = complete.map((stage) => ({
    ...stage,
    points: placesOfStage(request.vehicle, stage, scope.cylinderIds),
  }))
  return { stages: placed, reasons }
}

/**
 * Hydraulics that share nothing, a motorcycle's front and rear, are finished one after the other: reservoir, then its
 * bleeders, then the next reservoir. Everywhere else reservoirs come first and every bleeder after them.
 *
 * @param between what is done once a reservoir is full and before its first bleeder
 */
function systemsInTurn(build: Build, between: readonly Stage[]): Stage[] {
  const bleeding = bleedingStages(build)
  const { vehicle } = build.request
  const [only, ...others] = bleeding
  const small = vehicle.kind === 'motorcycle' || vehicle.kind === 'quad'
  const systemOf = separateSystems(build)
  const inTurn = [...new Set((only?.order ?? []).flatMap((id) => systemOf.get(id) ?? []))]
  if (
    !small ||
    !only ||
    only.kind !== 'bleed' ||
    others.length > 0 ||
    between.length > 0 ||
    inTurn.length < 2
  )
    return [...reservoirStages(build, build.amounts.reservoirs), ...between, ...bleeding]
  build.reasons.push(reason('systems-in-turn', 'practice', { count: inTurn.length }))
  return inTurn.flatMap((system, i) => {
    const mine = (id: string) => systemOf.get(id) === system
    const corners = build.corners.filter(({ bleeder }) => mine(bleeder.id))
    const works = build.amounts.reservoirs.filter(({ reservoir }) => reservoir.id === system)
    const context = { ...build.context, corners }
    const { technique } = build.choice
    if (!technique) return reservoirStages(build, works)
    const bleed = bleedStage(
      { ...build, context },
      technique,
      corners,
      technique.minutes(context),
      only.reasons,
    )
    return [...reservoirStages(build, works), i === 0 ? withKept(bleed, technique) : bleed]
  })
}

/**
 * The reservoir each bleeder hangs on, by bleeder id; empty where two of them meet in one brake, which is worked as one.
 * That they pass the same unit joins nothing: its circuits are apart.
 */
function separateSystems({ request, reservoirs, opened }: Build): Map<string, string> {
  const systemOf = new Map<string, string>()
  const reached = new Map<string, string>()
  for (const { id } of reservoirs)
    for (const { bleeder, part } of fedBy(request.vehicle, id, opened)) {
      systemOf.set(bleeder.id, id)
      if (part.type !== 'wheel-brake') continue
      if ((reached.get(part.id) ?? id) !== id) return new Map()
      reached.set(part.id, id)
    }
  return systemOf
}

/** Fresh joints under the machine's pressure before any fluid is spent, where the shop has one that fits here. */
function machineLeakCheck(build: Build): Stage[] {
  const { context, request, reasons } = build
  const machine = techniqueOf('pressure')
  if (!request.shop.methods.includes(machine.method) || machine.exclude(context)) return []
  reasons.push(reason('leak-check-first', 'practice', { setKPa: machine.settings(context).pressureKPa }))
  return [
    {
      ...plainStage(build, 'leak-check', 0, ['leak-check-first']),
      method: machine.method,
      technique: machine.id,
      before: machineLeakSteps(machine.steps(context)),
    },
  ]
}

/** Whether mineral oil is found where glycol goes in, or the other way round. */
function basesMeet(request: PlanRequest): boolean {
  const { fluidFound } = request.work
  if (fluidFound === undefined || fluidFound === 'unknown') return false
  const bases = [fluidOf(fluidFound).base, fluidOf(fluidUsed(request)).base]
  return bases.includes('mineral') && bases[0] !== bases[1]
}

/** A leak check that something gone wrong asks for, with its reason. */
export const leakCheckStage = (): { stage: Stage; reasons: Reason[] } => ({
  stage: {
    kind: 'leak-check',
    order: [],
    points: [],
    minutes: HANDLING_MINUTES['leak-check'],
    fluidMinutes: 0,
    handlingMinutes: HANDLING_MINUTES['leak-check'],
    ml: 0,
    reasons: ['joints-opened'],
    before: leakCheckSteps,
    after: [],
  },
  reasons: [reason('joints-opened', 'practice')],
})

/** The ports of cylinders that drew air in mid-work, with its reason. */
export const portStage = (
  technique: Technique,
  context: MethodContext,
  cylinderIds: readonly string[],
): { stage: Stage; reasons: Reason[] } => ({
  stage: {
    kind: 'port-bleed',
    method: technique.method,
    technique: technique.id,
    order: [],
    points: placesOfStage(context.vehicle, { kind: 'port-bleed', order: [] }, cylinderIds),
    ...minutesOf(technique.minutes(context)),
    ml: 0,
    reasons: ['port-loss'],
    ...technique.steps(context),
  },
  reasons: [reason('port-loss', 'default', { strokes: PORT_STROKES })],
})

function plainStage(
  build: Build,
  kind: keyof typeof HANDLING_MINUTES,
  ml: number,
  reasons: string[],
  works: readonly ReservoirWork[] = [],
): Stage {
  return {
    kind,
    order: [],
    points: [],
    minutes: HANDLING_MINUTES[kind],
    fluidMinutes: 0,
    handlingMinutes: HANDLING_MINUTES[kind],
    ml,
    reasons,
    ...stepsOf(build, kind, undefined, works),
  }
}

/** The steps of a stage, and of the way it is done where it has one. */
function stepsOf(
  build: Build,
  kind: Stage['kind'],
  technique?: Technique,
  works: readonly ReservoirWork[] = [],
): Steps {
  const own = technique ? technique.steps(build.context) : noSteps()
  const several = partsOf(build.request.vehicle, 'reservoir').length > 1
  const named = works.map((work) => ({
    ...work,
    name: reservoirFact(build.request.vehicle, work.reservoir.id),
    several,
  }))
  return ownSteps(kind, fluidUsed(build.request), technique, own, named)
}

const minutesOf = ({ fluidMinutes, handlingMinutes }: MethodMinutes) => ({
  minutes: fluidMinutes + handlingMinutes,
  fluidMinutes,
  handlingMinutes,
})

function reservoirStages(build: Build, works: readonly ReservoirWork[]): Stage[] {
  const { request, scope, reasons } = build
  const { work } = request
  const stages: Stage[] = []
  const ml = works.reduce((sum, { pouredMl }) => sum + pouredMl, 0)
  const say = (code: string, basis: Basis, params?: Params) => {
    if (!reasons.some((each) => each.code === code)) reasons.push(reason(code, basis, params))
  }
  if (work.reason === 'conversion') {
    say('reservoir-wiped', 'practice')
    stages.push(plainStage(build, 'wipe-reservoir', ml, ['reservoir-wiped'], works))
  }
  if (work.systemEmpty) {
    say('fill-slowly', 'practice')
    const filled = work.reason === 'conversion' ? 0 : ml
    stages.push(
      plainStage(build, 'slow-fill', filled, ['fill-slowly'], works),
      plainStage(build, 'wait', 0, ['fill-slowly']),
    )
  } else if (scope.exchange && work.reason !== 'conversion') {
    say('reservoir-first', 'practice')
    stages.push(plainStage(build, 'reservoir-exchange', ml, ['reservoir-first'], works))
  }
  return stages
}

/** The cylinder in the vice comes before the reservoir is filled on the vehicle, its ports after. */
function cylinderStages(build: Build): { bench: Stage[]; ports: Stage[] } {
  const { request, scope, choice, cylinder, reasons } = build
  if (scope.cylinder === 'none' && scope.cylinderBleeders.length === 0) return { bench: [], ports: [] }
  const way = scope.cylinder === 'none' ? undefined : cylinder
  const strokeMl = partsOf(request.vehicle, 'master-cylinder')
    .filter(({ id }) => scope.cylinderIds.includes(id))
    .flatMap(({ chambers }) => chambers)
    .reduce((sum, { boreMm, strokeMm }) => sum + cylinderMl(boreMm, strokeMm), 0)
  if (way?.technique)
    reasons.push(
      ...way.reasons.map((why) => reason('cylinder-way', why.basis, { why: fact(why.code, why.params) })),
    )
  const bench: Stage[] = []
  const benched = way?.technique && way.technique.cylinder === 'in-vice' ? way : undefined
  if (benched) {
    reasons.push(reason('bench-loss', 'default', { strokes: BENCH_STROKES }))
    bench.push({
      kind: 'bench-bleed',
      method: 'bench',
      technique: benched.technique.id,
      order: [],
      points: [],
      ...minutesOf(benched.minutes),
      ml: BENCH_STROKES * strokeMl,
      reasons: ['bench-loss'],
      ...stepsOf(build, 'bench-bleed', benched.technique),
    })
    // A cylinder with bleeders of its own is bled there too once it is fitted.
    if (scope.cylinderBleeders.length === 0) return { bench, ports: [] }
  }
  reasons.push(reason('port-loss', 'default', { strokes: PORT_STROKES }))
  const ports = portsWay(build)
  const led = ports ?? choice
  const stages: Stage[] = [
    {
      kind: 'port-bleed',
      ...(led.technique && { method: led.technique.method, technique: led.technique.id }),
      order: scope.cylinderBleeders.map(({ bleeder }) => bleeder.id),
      points: [],
      ...minutesOf(ports?.minutes ?? { fluidMinutes: 0, handlingMinutes: HANDLING_MINUTES['port-bleed'] }),
      ml: PORT_STROKES * strokeMl,
      reasons: ['port-loss'],
      ...stepsOf(build, 'port-bleed', ports?.technique),
    },
  ]
  return { bench, ports: stages }
}

/** The ports cracked in place, where that is the way of the cylinder; its own bleeders otherwise go with the wheels'. */
function portsWay({
  cylinder,
  context,
}: Build): { technique: Technique; minutes: MethodMinutes } | undefined {
  if (cylinder.technique && cylinder.technique.cylinder === 'in-place') return cylinder
  const open = cylinder.notTaken.find(
    ({ technique, excluded }) => techniqueOf(technique).cylinder === 'in-place' && !excluded,
  )
  if (!open) return undefined
  const technique = techniqueOf(open.technique)
  return { technique, minutes: technique.minutes(context) }
}

function bleedingStages(build: Build): Stage[] {
  const { request, corners, unitCorners, choice, unit, context, reasons } = build
  const units = unitsToCycle(request)
  const why = build.scope.exchange ? 'purge-target' : 'clear-target'
  const first =
    choice.technique && corners.length > 0
      ? [withKept(bleedStage(build, choice.technique, corners, choice.minutes, [why]), choice.technique)]
      : []
  if (!unit.technique || (units.length === 0 && unitCorners.length === 0)) return first
  reasons.push(
    ...unit.reasons.map((why) => reason('unit-way', why.basis, { why: fact(why.code, why.params) })),
  )
  if (units.length === 0) {
    reasons.push(reason('unit-drives-brakes', 'practice'))
    return [unitStage(build, unit, ['unit-drives-brakes']), ...first]
  }
  reasons.push(reason('unit-cycles', 'practice'))
  if (first.length > 0) reasons.push(reason('base-bleed-again', 'physics'))
  const byWheel = unit.technique.pulsesWheels ? (first[0]?.order ?? []) : []
  const rounds = unit.technique.rounds ?? 1
  const inTurn = [...corners, ...unitCorners]
  const again = volumesInOrder(request.vehicle, inTurn, request.work.padWearMm, true)
  const closedMl = closedBranchesMl(request.vehicle, inTurn)
  const againCorners = corners.map((corner, i) => ({
    ...corner,
    throughMl: againMl(again.get(corner.bleeder.id) ?? 0, closedMl[i] ?? 0, build.targetPct / 100),
  }))
  const routine = unitStage(build, unit, ['unit-cycles'], byWheel)
  // With a bleeder open its pump pushes out about what stands between the unit and it.
  if (byWheel.length > 0) {
    reasons.push(reason('routine-costs', 'default'))
    routine.ml += corners.reduce((sum, { bleeder }) => sum + (again.get(bleeder.id) ?? 0), 0)
  }
  const repeat =
    choice.technique && first.length > 0
      ? [
          bleedStage(
            build,
            choice.technique,
            againCorners,
            choice.technique.minutes({ ...context, corners: againCorners }),
            ['base-bleed-again'],
          ),
        ]
      : []
  // What the unit's pump pushes through its own brakes goes through once; later rounds only work its valves.
  const rounded = Array.from({ length: rounds }, (_, i) => [
    i === 0 ? routine : { ...routine, ml: 0, mlByBleeder: undefined },
    ...repeat,
  ])
  return [...first, ...rounded.flat()]
}

/** What the machine keeps is bought with the first bleed. */
const withKept = (stage: Stage, { keepsMl = 0 }: Technique): Stage => ({ ...stage, ml: stage.ml + keepsMl })

function unitStage(build: Build, unit: Choice, reasons: string[], pulsed: string[] = []): Stage {
  const { unitCorners } = build
  return {
    kind: 'control-unit',
    method: 'control-unit',
    technique: unit.technique.id,
    order: [...unitCorners.map(({ bleeder }) => bleeder.id), ...pulsed],
    points: [],
    ...minutesOf(unit.minutes),
    ml: unitCorners.reduce((sum, { throughMl }) => sum + throughMl, 0),
    ...(unitCorners.length > 0 && { mlByBleeder: amounts(unitCorners) }),
    reasons,
    ...stepsOf(build, 'control-unit', unit.technique),
  }
}

const amounts = (corners: readonly Corner[]): Record<string, number> =>
  Object.fromEntries(corners.map(({ bleeder, throughMl }) => [bleeder.id, throughMl]))

function bleedStage(
  build: Build,
  technique: Technique,
  corners: readonly Corner[],
  minutes: MethodMinutes,
  reasons: string[],
): Stage {
  return {
    kind: 'bleed',
    method: technique.method,
    technique: technique.id,
    order: corners.map(({ bleeder }) => bleeder.id),
    points: [],
    ...minutesOf(minutes),
    ml: corners.reduce((sum, { throughMl }) => sum + throughMl, 0),
    mlByBleeder: amounts(corners),
    reasons,
    ...stepsOf(build, 'bleed', technique),
  }
}

import { fact, type Reason, reason } from '../base/decision'
import { drawDownSavingMl } from '../physics/exchange/draw-down'
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
import { partsOf } from '../vehicle/parts'
import type { Stage } from './answer'
import { placesOfStage } from './places'
import { withPreconditions } from './preconditions'
import { fluidUsed, type Prepared } from './prepare'
import type { PlanRequest } from './request'
import { leakCheckSteps, ownSteps } from './stage-steps'
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

/** The stages with the places each is worked at, the new fluid each bleeder takes over all of them, and the reasons for what was added. */
export function buildStages(
  request: PlanRequest,
  prepared: Prepared,
): { stages: Stage[]; perBleederMl: Record<string, number>; reasons: Reason[] } {
  const build: Build = { ...prepared, request, reasons: [] }
  const { reasons, scope } = build
  const bleeding = bleedingStages(build)
  const perBleederMl: Record<string, number> = {}
  for (const stage of bleeding)
    for (const [id, ml] of Object.entries(stage.mlByBleeder ?? {}))
      perBleederMl[id] = (perBleederMl[id] ?? 0) + ml
  const stages = [...reservoirStages(build), ...cylinderStages(build), ...bleeding]
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
  })
  const placed = complete.map((stage) => ({
    ...stage,
    points: placesOfStage(request.vehicle, stage, scope.cylinderIds),
  }))
  return { stages: placed, perBleederMl, reasons }
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

function plainStage(build: Build, kind: keyof typeof HANDLING_MINUTES, ml: number, reasons: string[]): Stage {
  return {
    kind,
    order: [],
    points: [],
    minutes: HANDLING_MINUTES[kind],
    fluidMinutes: 0,
    handlingMinutes: HANDLING_MINUTES[kind],
    ml,
    reasons,
    ...stepsOf(build, kind),
  }
}

/** The steps of a stage, and of the way it is done where it has one. */
function stepsOf(build: Build, kind: Stage['kind'], technique?: Technique): Steps {
  const own = technique ? technique.steps(build.context) : noSteps()
  return ownSteps(kind, fluidUsed(build.request), technique, own)
}

const minutesOf = ({ fluidMinutes, handlingMinutes }: MethodMinutes) => ({
  minutes: fluidMinutes + handlingMinutes,
  fluidMinutes,
  handlingMinutes,
})

function reservoirStages(build: Build): Stage[] {
  const { request, scope, reservoirMl, reasons, reservoirs } = build
  const { work } = request
  const stages: Stage[] = []
  if (work.reason === 'conversion') {
    reasons.push(reason('reservoir-wiped', 'practice'))
    stages.push(plainStage(build, 'wipe-reservoir', reservoirMl, ['reservoir-wiped']))
  }
  if (work.systemEmpty) {
    reasons.push(reason('fill-slowly', 'practice'))
    const filled = work.reason === 'conversion' ? 0 : reservoirMl
    stages.push(
      plainStage(build, 'slow-fill', filled, ['fill-slowly']),
      plainStage(build, 'wait', 0, ['fill-slowly']),
    )
  } else if (scope.whole && work.reason !== 'conversion') {
    reasons.push(reason('reservoir-first', 'practice'))
    const savedMl = reservoirs.reduce(
      (sum, { minMl, maxMl }) => sum + (minMl > 0 ? drawDownSavingMl(maxMl, minMl / maxMl) : 0),
      0,
    )
    if (savedMl > 0 && !work.ranDry) reasons.push(reason('draw-down-saves', 'physics', { savedMl }))
    stages.push(plainStage(build, 'reservoir-exchange', reservoirMl, ['reservoir-first']))
  }
  return stages
}

function cylinderStages(build: Build): Stage[] {
  const { request, scope, choice, cylinder, reasons } = build
  if (scope.cylinder === 'none' && scope.cylinderBleeders.length === 0) return []
  const way = scope.cylinder === 'none' ? undefined : cylinder
  const strokeMl = partsOf(request.vehicle, 'master-cylinder')
    .filter(({ id }) => scope.cylinderIds.includes(id))
    .flatMap(({ chambers }) => chambers)
    .reduce((sum, { boreMm, strokeMm }) => sum + cylinderMl(boreMm, strokeMm), 0)
  if (way?.technique)
    reasons.push(
      ...way.reasons.map((why) => reason('cylinder-way', why.basis, { why: fact(why.code, why.params) })),
    )
  const stages: Stage[] = []
  const benched = way?.technique && way.technique.cylinder === 'in-vice' ? way : undefined
  if (benched) {
    reasons.push(reason('bench-loss', 'default', { strokes: BENCH_STROKES }))
    stages.push({
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
    if (scope.cylinderBleeders.length === 0) return stages
  }
  reasons.push(reason('port-loss', 'default', { strokes: PORT_STROKES }))
  const ports = portsWay(build)
  const led = ports ?? choice
  return [
    ...stages,
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
  const { request, corners, unitCorners, choice, theta, unit, context, reasons } = build
  const units = unitsToCycle(request)
  const first =
    choice.technique && corners.length > 0
      ? [bleedStage(build, choice.technique, corners, choice.minutes, ['purge-target'])]
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
  const routine = unitStage(build, unit, ['unit-cycles'], byWheel)
  const rounds = unit.technique.rounds ?? 1
  const again = volumesInOrder(request.vehicle, [...corners, ...unitCorners], request.work.padWearMm, true)
  const againCorners = corners.map((corner) => ({
    ...corner,
    throughMl: theta * (again.get(corner.bleeder.id) ?? 0),
  }))
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

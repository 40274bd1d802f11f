import type { Reason } from '../base/decision'
import { drawDownSavingMl } from '../physics/exchange/draw-down'
import { cylinderMl } from '../physics/hydraulics/cylinder'
import type { Choice } from '../technique/choose'
import { techniqueOf } from '../technique/index'
import type { Steps } from '../technique/step'
import { type Corner, type MethodMinutes, noSteps, type Technique } from '../technique/technique'
import { partsOf } from '../vehicle/parts'
import type { Stage } from './answer'
import { withPreconditions } from './preconditions'
import { fluidUsed, type Prepared } from './prepare'
import type { PlanRequest } from './request'
import { ownSteps } from './stage-steps'
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

/** The stages, the new fluid each bleeder takes over all of them, and the reasons for what was added. */
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
    reasons.push({
      code: 'joints-opened',
      text: 'A joint was opened: every one is looked at under full effort before the proof.',
      basis: 'practice',
    })
    stages.push(plainStage(build, 'leak-check', 0, ['joints-opened']))
  }
  reasons.push({
    code: 'prove-always',
    text: 'No vehicle leaves on a plan: pedal, leaks, wheels and level are proved.',
    basis: 'practice',
  })
  stages.push(plainStage(build, 'prove', 0, ['prove-always']))
  const complete = withPreconditions({
    vehicle: request.vehicle,
    stages,
    corners: [...prepared.corners, ...prepared.unitCorners],
    unitEmpty: scope.unit && unitsToCycle(request).length > 0,
  })
  return { stages: complete, perBleederMl, reasons }
}

function plainStage(build: Build, kind: keyof typeof HANDLING_MINUTES, ml: number, reasons: string[]): Stage {
  return {
    kind,
    order: [],
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
    reasons.push({
      code: 'reservoir-wiped',
      text: 'Emptied and wiped with lint-free cloth, filled, worked through, emptied and filled once more.',
      basis: 'practice',
    })
    stages.push(plainStage(build, 'wipe-reservoir', reservoirMl, ['reservoir-wiped']))
  }
  if (work.systemEmpty) {
    reasons.push({
      code: 'fill-slowly',
      text: 'An empty system is filled slowly, and the air given time to rise out of the reservoir.',
      basis: 'practice',
    })
    const filled = work.reason === 'conversion' ? 0 : reservoirMl
    stages.push(
      plainStage(build, 'slow-fill', filled, ['fill-slowly']),
      plainStage(build, 'wait', 0, ['fill-slowly']),
    )
  } else if (scope.whole && work.reason !== 'conversion') {
    reasons.push({
      code: 'reservoir-first',
      text: 'The old fluid is drawn out of the reservoir first, so that it is not pushed through the whole system.',
      basis: 'practice',
    })
    const savedMl = reservoirs.reduce(
      (sum, { minMl, maxMl }) => sum + (minMl > 0 ? drawDownSavingMl(maxMl, minMl / maxMl) : 0),
      0,
    )
    if (savedMl > 0 && !work.ranDry)
      reasons.push({
        code: 'draw-down-saves',
        text: `Drawing down from MAX to MIN and filling saves ${Math.round(savedMl)} mL against flushing the reservoir through to the same share of old.`,
        basis: 'physics',
      })
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
  if (way?.technique) reasons.push(...way.reasons.map((reason) => ({ ...reason, code: 'cylinder-way' })))
  const stages: Stage[] = []
  const benched = way?.technique && way.technique.method === 'bench' ? way : undefined
  if (benched) {
    reasons.push({
      code: 'bench-loss',
      text: `About ${BENCH_STROKES} full strokes of every chamber stay in the vice and the pan.`,
      basis: 'default',
    })
    stages.push({
      kind: 'bench-bleed',
      method: 'bench',
      technique: benched.technique.id,
      order: [],
      ...minutesOf(benched.minutes),
      ml: BENCH_STROKES * strokeMl,
      reasons: ['bench-loss'],
      ...stepsOf(build, 'bench-bleed', benched.technique),
    })
    // A cylinder with bleeders of its own is bled there too once it is fitted.
    if (scope.cylinderBleeders.length === 0) return stages
  }
  reasons.push({
    code: 'port-loss',
    text: `About ${PORT_STROKES} full strokes of every chamber leave at the cylinder’s ports.`,
    basis: 'default',
  })
  const ports = portsWay(build)
  const led = ports ?? choice
  return [
    ...stages,
    {
      kind: 'port-bleed',
      ...(led.technique && { method: led.technique.method, technique: led.technique.id }),
      order: scope.cylinderBleeders.map(({ bleeder }) => bleeder.id),
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
  if (cylinder.technique && cylinder.technique.method === 'ports') return cylinder
  const open = cylinder.notTaken.find(({ method, excluded }) => method === 'ports' && !excluded)
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
  reasons.push(...unit.reasons.map((reason) => ({ ...reason, code: 'unit-way' })))
  if (units.length === 0) {
    reasons.push({
      code: 'unit-drives-brakes',
      text: 'Some brakes hang on the unit’s own pump: its routine moves their fluid, no foot does.',
      basis: 'practice',
    })
    return [unitStage(build, unit, ['unit-drives-brakes']), ...first]
  }
  reasons.push({
    code: 'unit-cycles',
    text: 'The unit’s valves and pump hide air and old fluid until they are worked: base bleed, routine, base bleed.',
    basis: 'practice',
  })
  if (first.length > 0)
    reasons.push({
      code: 'base-bleed-again',
      text: 'After a routine, what it let loose is carried from the unit to every bleeder.',
      basis: 'physics',
    })
  const byWheel = unit.technique.id === 'wheel-by-wheel' ? (first[0]?.order ?? []) : []
  const routine = unitStage(build, unit, ['unit-cycles'], byWheel)
  const rounds = unit.technique.id === 'cycle' ? 2 : 1
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
    ...minutesOf(minutes),
    ml: corners.reduce((sum, { throughMl }) => sum + throughMl, 0),
    mlByBleeder: amounts(corners),
    reasons,
    ...stepsOf(build, 'bleed', technique),
  }
}

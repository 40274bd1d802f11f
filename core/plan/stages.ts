import type { Reason } from '../decision'
import { cylinderMl } from '../hydraulics/cylinder'
import type { Choice } from '../method/choose'
import type { Corner, MethodContext, MethodMinutes } from '../method/method'
import type { Scope } from '../scope/scope'
import { partsOf } from '../vehicle/parts'
import type { Stage } from './answer'
import type { PlanRequest } from './request'
import { cylinderMethod, unitsToCycle } from './stops'
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
  'bench-bleed': 20,
  'port-bleed': 12,
  'control-unit': 8,
  'leak-check': 5,
  prove: 15,
} as const

type Build = {
  request: PlanRequest
  scope: Scope
  corners: readonly Corner[]
  choice?: Choice
  context: MethodContext
  theta: number
  reservoirMl: number
}

/** The stages, the new fluid each bleeder takes over all of them, and the reasons for what was added. */
export function buildStages(build: Build): {
  stages: Stage[]
  perBleederMl: Record<string, number>
  reasons: Reason[]
} {
  const reasons: Reason[] = []
  const bleeding = bleedingStages(build, reasons)
  const perBleederMl: Record<string, number> = {}
  for (const stage of bleeding)
    for (const [id, ml] of Object.entries(stage.mlByBleeder ?? {}))
      perBleederMl[id] = (perBleederMl[id] ?? 0) + ml
  const stages = [...reservoirStages(build, reasons), ...cylinderStages(build, reasons), ...bleeding]
  if (build.scope.leakCheck) {
    reasons.push({
      code: 'joints-opened',
      text: 'A joint was opened: every one is looked at under full effort before the proof.',
      basis: 'practice',
    })
    stages.push(plainStage('leak-check', 0, ['joints-opened']))
  }
  reasons.push({
    code: 'prove-always',
    text: 'No vehicle leaves on a plan: pedal, leaks, wheels and level are proved.',
    basis: 'practice',
  })
  stages.push(plainStage('prove', 0, ['prove-always']))
  return { stages, perBleederMl, reasons }
}

function plainStage(
  kind: keyof typeof HANDLING_MINUTES,
  ml: number,
  reasons: string[],
  order: string[] = [],
): Stage {
  return {
    kind,
    order,
    minutes: HANDLING_MINUTES[kind],
    fluidMinutes: 0,
    handlingMinutes: HANDLING_MINUTES[kind],
    ml,
    reasons,
  }
}

function reservoirStages({ request: { work }, scope, reservoirMl }: Build, reasons: Reason[]): Stage[] {
  const stages: Stage[] = []
  if (work.reason === 'conversion') {
    reasons.push({
      code: 'reservoir-wiped',
      text: 'Emptied and wiped with lint-free cloth, filled, worked through, emptied and filled once more.',
      basis: 'practice',
    })
    stages.push(plainStage('wipe-reservoir', reservoirMl, ['reservoir-wiped']))
  }
  if (work.systemEmpty) {
    reasons.push({
      code: 'fill-slowly',
      text: 'An empty system is filled slowly, and the air given time to rise out of the reservoir.',
      basis: 'practice',
    })
    const filled = work.reason === 'conversion' ? 0 : reservoirMl
    stages.push(plainStage('slow-fill', filled, ['fill-slowly']), plainStage('wait', 0, ['fill-slowly']))
  } else if (scope.whole && work.reason !== 'conversion') {
    reasons.push({
      code: 'reservoir-first',
      text: 'The old fluid is drawn out of the reservoir first, so that it is not pushed through the whole system.',
      basis: 'practice',
    })
    stages.push(plainStage('reservoir-exchange', reservoirMl, ['reservoir-first']))
  }
  return stages
}

function cylinderStages({ request: { vehicle, shop }, scope, choice }: Build, reasons: Reason[]): Stage[] {
  if (scope.cylinder === 'none' && scope.cylinderBleeders.length === 0) return []
  const method = scope.cylinder === 'none' ? undefined : cylinderMethod(shop.methods, scope)
  const strokeMl = partsOf(vehicle, 'master-cylinder')
    .filter((cylinder) => scope.cylinderIds.includes(cylinder.id))
    .flatMap((cylinder) => cylinder.chambers)
    .reduce((sum, { boreMm, strokeMm }) => sum + cylinderMl(boreMm, strokeMm), 0)
  const stages: Stage[] = []
  if (method === 'bench') {
    reasons.push({
      code: 'bench-loss',
      text: `About ${BENCH_STROKES} full strokes of every chamber stay in the vice and the pan.`,
      basis: 'default',
    })
    stages.push({ ...plainStage('bench-bleed', BENCH_STROKES * strokeMl, ['bench-loss']), method })
    // A cylinder with bleeders of its own is bled there too once it is fitted.
    if (scope.cylinderBleeders.length === 0) return stages
  }
  const order = scope.cylinderBleeders.map(({ bleeder }) => bleeder.id)
  reasons.push({
    code: 'port-loss',
    text: `About ${PORT_STROKES} full strokes of every chamber leave at the cylinder’s ports.`,
    basis: 'default',
  })
  const byPorts = ['ports', 'two-person', 'solo'].some((each) => shop.methods.some((has) => has === each))
  return [
    ...stages,
    {
      ...plainStage('port-bleed', PORT_STROKES * strokeMl, ['port-loss'], order),
      method: byPorts ? 'ports' : choice?.method.id,
    },
  ]
}

function bleedingStages(build: Build, reasons: Reason[]): Stage[] {
  const { request, corners, choice, context, theta } = build
  if (!choice || corners.length === 0) return []
  const first = bleedStage(corners, choice, choice.minutes, ['purge-target'])
  const units = unitsToCycle(request)
  if (units.length === 0) return [first]
  const again = volumesInOrder(request.vehicle, corners, request.work.padWearMm, true)
  const againCorners = corners.map((corner) => ({
    ...corner,
    throughMl: theta * (again.get(corner.bleeder.id) ?? 0),
  }))
  const repeat = bleedStage(
    againCorners,
    choice,
    choice.method.minutes({ ...context, corners: againCorners }),
    ['base-bleed-again'],
  )
  reasons.push(
    {
      code: 'unit-cycles',
      text: 'The unit’s valves and pump hide air and old fluid until they are worked: base bleed, routine, base bleed.',
      basis: 'practice',
    },
    {
      code: 'base-bleed-again',
      text: 'After a routine, what it let loose is carried from the unit to every bleeder.',
      basis: 'physics',
    },
  )
  const byWheel = units.some((unit) => unit.routine === 'wheel-by-wheel')
  const routine: Stage = {
    ...plainStage('control-unit', 0, ['unit-cycles'], byWheel ? first.order : []),
    method: 'control-unit',
  }
  const rounds = units.some((unit) => unit.routine === 'cycle') ? 2 : 1
  return [first, ...Array.from({ length: rounds }, () => [routine, repeat]).flat()]
}

function bleedStage(
  corners: readonly Corner[],
  choice: Choice,
  minutes: MethodMinutes,
  reasons: string[],
): Stage {
  const mlByBleeder = Object.fromEntries(corners.map(({ bleeder, throughMl }) => [bleeder.id, throughMl]))
  return {
    kind: 'bleed',
    method: choice.method.id,
    order: corners.map(({ bleeder }) => bleeder.id),
    minutes: minutes.fluidMinutes + minutes.handlingMinutes,
    ...minutes,
    ml: corners.reduce((sum, { throughMl }) => sum + throughMl, 0),
    mlByBleeder,
    reasons,
  }
}

import { fact, reason } from '../base/decision'
import type { Choice } from '../technique/choose'
import type { Corner, MethodMinutes, Technique } from '../technique/technique'
import { againMl, closedBranchesMl } from './amounts'
import type { Stage } from './answer'
import { type Build, minutesOf, stepsOf } from './stage'
import { unitsToCycle } from './units'
import { volumesInOrder } from './volumes'

/** Every bleed, with the unit's own rounds between where it has any. */
export function bleedingStages(build: Build): Stage[] {
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
export const withKept = (stage: Stage, { keepsMl = 0 }: Technique): Stage => ({
  ...stage,
  ml: stage.ml + keepsMl,
})

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

export function bleedStage(
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

import { fact, reason } from '../base/decision'
import type { Corner } from '../technique/technique'
import { againMl, closedBranchesMl } from './amounts'
import type { Stage } from './answer'
import { bleedStage, withKept } from './bleed-stage'
import { procedureStages } from './procedure-stages'
import type { Build } from './stage'
import { unitsToCycle } from './units'
import { volumesInOrder, wearAtBleed } from './volumes'

/** Every bleed, with the unit's own rounds between where it has any. */
export function bleedingStages(build: Build): Stage[] {
  const { request, corners, unitCorners, choice, unit, scope, reasons } = build
  const units = unitsToCycle(request)
  const why = [scope.exchange ? 'purge-target' : 'clear-target']
  const bleed = (own: readonly Corner[], because: string[]): Stage[] =>
    choice.technique && own.length > 0
      ? [
          bleedStage(
            build,
            choice.technique,
            own,
            choice.technique.minutes({ ...build.context, corners: own }),
            because,
          ),
        ]
      : []
  const kept = (stages: Stage[]): Stage[] => {
    const first = stages.findIndex(({ kind }) => kind === 'bleed')
    const { technique } = choice
    return technique ? stages.map((stage, i) => (i === first ? withKept(stage, technique) : stage)) : stages
  }
  if (!unit.technique || (units.length === 0 && unitCorners.length === 0)) return kept(bleed(corners, why))
  reasons.push(
    ...unit.reasons.map((why) => reason('unit-way', why.basis, { why: fact(why.code, why.params) })),
  )
  const again = cornersAgain(build)
  if (units.length === 0) {
    reasons.push(reason('unit-drives-brakes', 'practice'))
    const worked = { byUnit: unitCorners, byFoot: corners, again: passedAgain(again) }
    const { stages, byFoot } = procedureStages(build, unit, worked, ['unit-drives-brakes'])
    return kept([...stages, ...bleed(without(corners, byFoot), why)])
  }
  const first = kept(bleed(corners, why))
  const { workUnit } = request.work
  if (workUnit)
    reasons.push(
      reason('unit-by-choice', workUnit === 'maker' ? 'maker' : 'practice', {
        why: fact(`work-unit-${workUnit}`),
      }),
    )
  reasons.push(reason('unit-cycles', 'practice'))
  if (first.length > 0) reasons.push(reason('base-bleed-again', 'physics'))
  const pulsed = unit.technique.pulsesWheels && first.length > 0 ? passedAgain(again) : []
  // With a bleeder open its pump pushes out about what stands between the unit and it.
  if (pulsed.length > 0) reasons.push(reason('routine-costs', 'default'))
  const round = (byUnit: readonly Corner[]) => {
    const worked = { byUnit: [...byUnit, ...pulsed], byFoot: again, again: passedAgain(again) }
    const { stages, byFoot } = procedureStages(build, unit, worked, ['unit-cycles'])
    return [...stages, ...bleed(without(again, byFoot), ['base-bleed-again'])]
  }
  // What the unit's pump pushes through its own brakes goes through once; later rounds only work its valves.
  const spent = unitCorners.map((corner) => ({ ...corner, throughMl: 0 }))
  const rounds = unit.technique.rounds ?? 1
  return [...first, ...Array.from({ length: rounds }, (_, i) => round(i === 0 ? unitCorners : spent)).flat()]
}

const without = (corners: readonly Corner[], ids: ReadonlySet<string>): Corner[] =>
  corners.filter(({ bleeder }) => !ids.has(bleeder.id))

/** Bleeders once the unit has worked: what its closed branches let go has to come out again. */
function cornersAgain({
  request,
  corners,
  unitCorners,
  targetPct,
}: Build): (Corner & { passageMl: number })[] {
  const inTurn = [...corners, ...unitCorners]
  const volumeMl = volumesInOrder(request.vehicle, inTurn, wearAtBleed(request.work), true)
  const closedMl = closedBranchesMl(request.vehicle, inTurn)
  return corners.map((corner, i) => {
    const passageMl = volumeMl.get(corner.bleeder.id) ?? 0
    return { ...corner, passageMl, throughMl: againMl(passageMl, closedMl[i] ?? 0, targetPct / 100) }
  })
}

/** The same with no more than what stands between the unit and each of them. */
const passedAgain = (again: readonly (Corner & { passageMl: number })[]): Corner[] =>
  again.map((corner) => ({ ...corner, throughMl: corner.passageMl }))

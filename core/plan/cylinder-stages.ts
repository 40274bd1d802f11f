import { fact, type Reason, reason } from '../base/decision'
import { cylinderMl } from '../physics/hydraulics/cylinder'
import { techniqueOf } from '../technique/index'
import type { Technique, TechniqueContext, TechniqueMinutes } from '../technique/technique'
import { partsOf } from '../vehicle/parts'
import type { Stage } from './answer'
import { placesOfStage } from './places'
import { type Build, HANDLING_MINUTES, minutesOf, stepsOf } from './stage'

/** Full strokes of every chamber that end in the catch pan. @source from memory */
const BENCH_STROKES = 3
const PORT_STROKES = 4

/** The ports of cylinders that drew air in mid-work, with its reason. */
export const portStage = (
  technique: Technique,
  context: TechniqueContext,
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

/** The cylinder in the vice comes before the reservoir is filled on the vehicle, its ports after. */
export function cylinderStages(build: Build): { bench: Stage[]; ports: Stage[] } {
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
}: Build): { technique: Technique; minutes: TechniqueMinutes } | undefined {
  if (cylinder.technique && cylinder.technique.cylinder === 'in-place') return cylinder
  const open = cylinder.notTaken.find(
    ({ technique, excluded }) => techniqueOf(technique).cylinder === 'in-place' && !excluded,
  )
  if (!open) return undefined
  const technique = techniqueOf(open.technique)
  return { technique, minutes: technique.minutes(context) }
}

import { fact, reason } from '../base/decision'
import type { Procedure, ProcedureStep } from '../procedure/schema'
import type { Choice } from '../technique/choose'
import type { Step } from '../technique/step'
import type { Corner } from '../technique/technique'
import { reservoirIdOf } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import type { Stage } from './answer'
import { amountsAt, bleedStage } from './bleed-stage'
import { afterRoutine, beforeRoutine, stepOfProcedure, stepsMinutes } from './procedure-steps'
import { procedureFor } from './procedures'
import { type Build, minutesOf } from './stage'

/** Bleeders that a routine works at in one go, by one thing that drives them, with the steps around them. */
type Group = { by?: ProcedureStep['by']; corners: Corner[]; before: Step[]; after: Step[] }

/** What a procedure works at: each bleeder by what drives it, with what is to go through it the first time and again. */
export type WorkedAt = {
  byUnit: readonly Corner[]
  byFoot: readonly Corner[]
  /** The same bleeders where they come a second time. */
  again: readonly Corner[]
}

const idOf = ({ bleeder }: Corner) => bleeder.id

/**
 * The stages of a unit’s procedure, in its own order: what the unit drives, what a foot bleeds in between, and its own
 * run. Bleeders outside this work are passed over; those that only the unit can reach are never left out.
 */
export function procedureStages(
  build: Build,
  unit: Choice,
  worked: WorkedAt,
  reasons: string[],
): { stages: Stage[]; byFoot: ReadonlySet<string> } {
  const { vehicle } = build.request
  const found = partsOf(vehicle, 'control-unit').find(({ routine }) => routine === unit.technique.routine)
  if (!found) return { stages: [], byFoot: new Set() }
  const procedure = procedureFor(vehicle, found, unit.technique, build.ordered.bleeders)
  if (!build.reasons.some(({ code }) => code.startsWith('routine-by')))
    build.reasons.push(
      procedure.example
        ? reason('routine-by-example', 'practice', { name: procedure.name })
        : reason('routine-by-text', 'maker', { name: procedure.name, by: procedure.by, on: procedure.on }),
    )
  const groups = groupsOf(procedure, worked, reservoirOf(build))
  const first = groups[0]
  if (first) first.before = [...beforeRoutine(procedure), ...first.before]
  groups.at(-1)?.after.push(...afterRoutine())
  if (groups.some(({ by }) => by === 'foot') && !build.foot.technique && build.choice.technique)
    build.reasons.push(
      reason('routine-foot-missing', 'default', { way: fact(`technique-${build.choice.technique.id}`) }),
    )
  const bledBesides = new Set(worked.byFoot.map(idOf))
  let timed = false
  const stages = groups.map((group) => {
    if (group.by === 'foot') return footStage(build, group, reasons)
    const stage = unitStage(unit, group, timed ? undefined : unit.minutes, reasons, bledBesides)
    timed = true
    return stage
  })
  const byFoot = new Set(
    groups.flatMap(({ by, corners }) =>
      by === 'foot' && (build.foot.technique ?? build.choice.technique) ? corners.map(idOf) : [],
    ),
  )
  return { stages: stages.flatMap((stage) => stage ?? []), byFoot }
}

/** The reservoir that a routine draws from. */
function reservoirOf({ request: { vehicle }, opened }: Build): string | undefined {
  const [pump] = partsOf(vehicle, 'pump')
  if (pump) return pump.fedBy
  const source = opened.find(({ route }) => route !== undefined)?.route?.sourceId
  return source === undefined ? undefined : reservoirIdOf(vehicle, source)
}

function groupsOf(
  procedure: Procedure,
  { byUnit, byFoot, again }: WorkedAt,
  reservoir: string | undefined,
): Group[] {
  const groups: Group[] = []
  const done = new Set<string>()
  let pending: Step[] = []
  const place = (corner: Corner, by: ProcedureStep['by']) => {
    const last = groups.at(-1)
    if (last && last.by === by && !last.corners.some((each) => idOf(each) === idOf(corner))) {
      last.before.push(...pending.map((step) => ({ ...step, at: idOf(corner) })))
      last.corners.push(corner)
    } else {
      // A routine begins at the unit, also where a foot has the first bleeder.
      if (!last && by === 'foot' && pending.length > 0) {
        groups.push({ corners: [], before: pending, after: [] })
        pending = []
      }
      groups.push({ by, corners: [corner], before: pending, after: [] })
    }
    pending = []
    done.add(idOf(corner))
  }
  for (const [i, step] of procedure.steps.entries()) {
    const { bleed, by = 'unit' } = step
    const of = by === 'foot' ? byFoot : byUnit
    const corner =
      bleed === undefined ? undefined : (done.has(bleed) ? again : of).find((each) => idOf(each) === bleed)
    if (bleed === undefined || (corner && (step.does ?? step.shows) !== undefined))
      pending.push(stepOfProcedure(step, i, reservoir))
    if (corner) place(corner, by)
  }
  const left = byUnit.filter((corner) => !done.has(idOf(corner)))
  // No foot reaches them: what a procedure forgets is bled by the unit all the same, before its own last steps.
  if (left.length > 0) {
    const tail = pending
    pending = []
    for (const corner of left) place(corner, groups.findLast(({ by }) => by !== 'foot')?.by ?? 'unit')
    pending = tail
  }
  const last = groups.at(-1)
  if (last && last.by !== 'foot') last.after.push(...pending)
  else groups.push({ corners: [], before: pending, after: [] })
  return groups
}

function unitStage(
  { technique }: Choice,
  { corners, before, after }: Group,
  minutes: Choice['minutes'] | undefined,
  reasons: string[],
  bledBesides: ReadonlySet<string>,
): Stage {
  const own = { fluidMinutes: 0, handlingMinutes: stepsMinutes([...before, ...after]) }
  // Where a bleed by foot or machine follows, the tool says when a wheel has had enough; elsewhere its volume does.
  const byVolume = corners.filter((corner) => !bledBesides.has(idOf(corner)))
  return {
    kind: 'control-unit',
    method: 'control-unit',
    technique: technique.id,
    order: corners.map(idOf),
    points: [],
    ...minutesOf(minutes ?? own),
    ml: corners.reduce((sum, { throughMl }) => sum + throughMl, 0),
    ...(byVolume.length > 0 && { mlByBleeder: amountsAt(byVolume) }),
    reasons,
    before,
    after,
  }
}

/** Bled by the way that bleeds the rest, in the middle of a routine. */
function footStage(build: Build, { corners, before, after }: Group, reasons: string[]): Stage | undefined {
  const technique = build.foot.technique ?? build.choice.technique
  if (!technique) return undefined
  const minutes = technique.minutes({ ...build.context, corners })
  const stage = bleedStage(build, technique, corners, minutes, reasons)
  return { ...stage, before: [...before, ...stage.before], after: [...stage.after, ...after] }
}

import type { BleederOpening } from '../physics/hydraulics/bleeder'
import { dropKPa, type Liquid, orificeDropKPa } from '../physics/hydraulics/flow'
import type { Route } from '../vehicle/network'
import type { Line } from '../vehicle/schema'

/** A bleeder that stands open, with the route that feeds it. */
export type OpenBleeder = { id: string; route: Pick<Route, 'sourceId' | 'lines'> }

/** One line of the open network: what it resists now, what hangs on its far end. */
type Branch = { takesKPa: (mlPerMin: number) => number; mlPerMin: number; next: Branch[]; bleeder?: string }

/** A flow at which a resistance is first looked at, mL/min: laminar by far. */
const FIRST_GUESS = 1
const ROUNDS = 60
const SETTLED = 1e-8
const LEAST_STEP = 0.25

/**
 * What each of several open bleeders passes: bottles that share a line share what it lets through, so each runs below
 * what its own line alone predicts. The open lines are a tree from each chamber; it is solved as resistances in series
 * and side by side, each taken anew at its own flow until nothing changes. Worked: two bleeders behind 1 m of shared
 * pipe and 1 m each of their own pass two thirds each of what one alone does, where flow is laminar.
 *
 * @param drivingKPa the same at every bleeder, above 0
 * @param intakeKPa what the way from the reservoir into a chamber takes; nothing where it is left out
 * @returns mL/min by bleeder id
 * @source Hagen–Poiseuille in series and in parallel; orifice as in `flowMlPerMin`
 */
export function flowsTogether(
  open: readonly OpenBleeder[],
  drivingKPa: number,
  liquid: Liquid,
  opening: BleederOpening,
  intakeKPa: (mlPerMin: number, liquid: Liquid) => number = () => 0,
): Map<string, number> {
  const flows = new Map<string, number>()
  const roots = treesOf(open, liquid, opening, (mlPerMin) => intakeKPa(mlPerMin, liquid))
  let [moved, step] = [Number.POSITIVE_INFINITY, 1]
  for (let round = 0; round < ROUNDS && moved > SETTLED; round++) {
    const before = moved
    moved = 0
    for (const root of roots) moved = Math.max(moved, share(root, drivingKPa, step))
    // An orifice takes pressure by the square: where full steps swing about the answer, they are halved.
    if (moved > 0.5 * before) step = Math.max(LEAST_STEP, step / 2)
  }
  const read = (branch: Branch) => {
    if (branch.bleeder !== undefined) flows.set(branch.bleeder, branch.mlPerMin)
    for (const each of branch.next) read(each)
  }
  for (const root of roots) read(root)
  return flows
}

function treesOf(
  open: readonly OpenBleeder[],
  liquid: Liquid,
  { passage, holeMm }: BleederOpening,
  intakeKPa: (mlPerMin: number) => number,
): Branch[] {
  const roots = new Map<string, { branch: Branch; byLine: Map<Line, Branch> }>()
  const fresh = (takesKPa: Branch['takesKPa'], bleeder?: string): Branch => ({
    takesKPa,
    mlPerMin: FIRST_GUESS,
    next: [],
    ...(bleeder !== undefined && { bleeder }),
  })
  for (const { id, route } of open) {
    const source = roots.get(route.sourceId) ?? { branch: fresh(intakeKPa), byLine: new Map<Line, Branch>() }
    roots.set(route.sourceId, source)
    let at = source.branch
    for (const line of route.lines) {
      const known = source.byLine.get(line)
      const branch =
        known ??
        fresh((mlPerMin) =>
          line.segments.reduce((sum, segment) => sum + dropKPa(segment, mlPerMin, liquid), 0),
        )
      if (!known) {
        source.byLine.set(line, branch)
        at.next.push(branch)
      }
      at = branch
    }
    at.next.push(
      fresh(
        (mlPerMin) =>
          dropKPa(passage, mlPerMin, liquid) + orificeDropKPa(holeMm, mlPerMin, liquid.densityKgM3),
        id,
      ),
    )
  }
  return [...roots.values()].map(({ branch }) => branch)
}

/** kPa per mL/min of a branch alone, at its present flow. */
const ownResistance = ({ takesKPa, mlPerMin }: Branch): number => takesKPa(mlPerMin) / mlPerMin

/** The same with everything that hangs on it, side by side. */
function resistance(branch: Branch): number {
  const own = ownResistance(branch)
  return branch.next.length === 0
    ? own
    : own + 1 / branch.next.reduce((sum, each) => sum + 1 / resistance(each), 0)
}

/**
 * Share a pressure out over a branch and what hangs on it, going a part of the way there.
 *
 * @returns the largest relative change of a flow that was asked for
 */
function share(branch: Branch, kPa: number, step: number): number {
  const before = branch.mlPerMin
  const mlPerMin = kPa / resistance(branch)
  const left = kPa - mlPerMin * ownResistance(branch)
  let moved = Math.abs(mlPerMin / before - 1)
  for (const each of branch.next) moved = Math.max(moved, share(each, left, step))
  branch.mlPerMin = before + step * (mlPerMin - before)
  return moved
}

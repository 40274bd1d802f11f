import type { Assembly } from './build'
import type { Cell } from './cell'

/** A unit's pump and valves change what stands in its closed branches so often a second. @source from memory */
const CYCLES_PER_S = 2

const pumpsOf = ({ pumps, vehicle }: Assembly, unit: string) =>
  vehicle.parts.some(
    (part) => part.id === unit && part.type === 'control-unit' && part.role === 'brake-by-wire',
  )
    ? pumps
    : []

/** Pump and valves of a unit begin to work: what goes on while they do. */
export function startUnit(rig: Assembly, unit: string): (dt: number) => void {
  const branches = rig.branches.filter((branch) => branch.unit === unit)
  for (const { link } of branches) rig.way(link).open = 1
  for (const { link, running } of pumpsOf(rig, unit)) Object.assign(rig.way(link), running)
  return (dt) => {
    for (const { cell, link } of branches) swap(rig.at(cell), rig.at(rig.way(link).from), dt)
  }
}

/** They stop: branches shut, and the pump lets its pressure back into the reservoir. */
export function stopUnit(rig: Assembly, unit: string): void {
  for (const branch of rig.branches) if (branch.unit === unit) rig.way(branch.link).open = branch.restsOpen
  for (const { link, resting } of pumpsOf(rig, unit)) Object.assign(rig.way(link), resting)
}

/** What a working unit changes between a closed branch and its open volume in a while. */
function swap(branch: Cell, open: Cell, dt: number): void {
  const share = 1 - Math.exp(-dt * CYCLES_PER_S)
  const volumeMl = ({ liquidMl, bubbleMl }: Cell) => liquidMl + bubbleMl
  const part = Math.min(1, (share * volumeMl(branch)) / Math.max(1e-9, volumeMl(open)))
  for (const key of ['liquidMl', 'oldMl', 'airMl'] as const) {
    const [out, back] = [share * branch[key], part * open[key]]
    branch[key] += back - out
    open[key] += out - back
  }
}

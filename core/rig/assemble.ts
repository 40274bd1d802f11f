import { partsOf } from '../vehicle/parts'
import type { Line, Part, Vehicle } from '../vehicle/schema'
import { Assembly, type Door, doorKey } from './build'
import { ofLeak } from './link'
import { addBrake, addSlave } from './parts/brake'
import { addCylinder } from './parts/cylinder'
import { addJunction, addSimulator, addUnit } from './parts/inner'
import { addLine, type LineFault, lineId } from './parts/line'
import { addLeak } from './parts/outlets'
import { addPump } from './parts/pump'
import { addReservoir } from './parts/reservoir'
import { addValve } from './parts/valve'
import type { RigFault } from './request'

/** A part in one circuit, as the network sees it; it exists once a line enters it there. */
function addPart(rig: Assembly, part: Part, circuit: string): void {
  switch (part.type) {
    case 'control-unit': {
      const entering = rig.vehicle.lines.filter(({ to }) => to === part.id).map((line) => line.circuit)
      addUnit(rig, part, circuit, Math.max(1, new Set(entering).size))
      break
    }
    case 'wheel-brake':
      addBrake(rig, part, circuit)
      break
    case 'clutch-slave':
      addSlave(rig, part, circuit)
      break
    case 'stroke-simulator':
      addSimulator(rig, part, circuit)
      break
    case 'junction':
      addJunction(rig, part, circuit)
      break
    case 'valve':
      addValve(rig, part, circuit)
      break
    case 'reservoir':
    case 'master-cylinder':
    case 'pump':
      // Lines only leave these.
      break
  }
}

/** What is wrong with a line, of all the faults. */
function lineFaults(faults: readonly RigFault[], id: string): LineFault {
  const all: LineFault = {}
  for (const fault of faults) {
    if (fault.kind === 'hose-closed' && fault.at === id) all.chokeMm = fault.boreMm
    if (fault.kind === 'hose-flap' && fault.at === id) all.flap = true
    if (fault.kind === 'hose-soft' && fault.at === id) all.softMlPerMPa = fault.mlPerMPa
  }
  return all
}

/** Follow the lines outwards, each in its circuit, and put every part where the first line reaches it. */
function addLines(rig: Assembly, faults: readonly RigFault[]): void {
  const { vehicle } = rig
  const parts = new Map(vehicle.parts.map((part) => [part.id, part]))
  const done = new Set<Line>()
  const follow = (from: string, circuit: string | undefined, door: Door) => {
    for (const line of vehicle.lines) {
      if (line.from !== from || done.has(line) || (circuit !== undefined && line.circuit !== circuit))
        continue
      done.add(line)
      const part = parts.get(line.to)
      if (!part) continue
      const key = doorKey(line.to, line.circuit)
      if (!rig.doors.has(key)) addPart(rig, part, line.circuit)
      const reached = rig.doors.get(key)
      if (!reached) continue
      const unit = parts.get(from)?.type === 'control-unit'
      addLine(rig, line, { cell: door.out, unit }, reached.in, lineFaults(faults, lineId(line)))
      follow(line.to, line.circuit, reached)
    }
  }
  const sources = [...rig.chambers.map(({ id }) => id), ...partsOf(vehicle, 'pump').map(({ id }) => id)]
  for (const id of sources) {
    const door = rig.doors.get(id)
    if (door) follow(id, undefined, door)
  }
}

/** Faults that are no part of a line. */
function addFaults(rig: Assembly, faults: readonly RigFault[]): void {
  /** A bottle and the air leak nothing, and what is shut off in a unit does not show. */
  const apart = new Set([...rig.fixed, ...rig.branches.map(({ cell }) => cell)])
  for (const fault of faults) {
    const chamber = rig.chambers.find(({ id }) => id === fault.at)
    if (fault.kind === 'no-return' && chamber) chamber.noReturn = true
    if (fault.kind === 'no-draw' && chamber) {
      rig.way(chamber.port).outOpen = 0
      rig.way(chamber.cup).open = 0
      if (chamber.ring) rig.way(chamber.ring.refill).open = 0
    }
    if (fault.kind === 'bypass' && chamber) {
      const tank = rig.way(chamber.port).from
      rig.link({ from: chamber.cell, to: tank, out: ofLeak(fault.mlPerMinPerMPa), back: 'none' })
    }
    if (fault.kind === 'leak') {
      const at = chamber?.cell ?? rig.cells.findLastIndex(({ of }, i) => of === fault.at && !apart.has(i))
      if (at >= 0) addLeak(rig, fault.at, at, fault.mlPerMinPerMPa)
    }
    if (fault.kind === 'bleeder-low')
      for (const { kind, link, of } of rig.outlets)
        if (kind === 'bleeder' && rig.at(of).of === fault.at) rig.way(link).takesOut = 'liquid-first'
    if (fault.kind === 'branch-pressed')
      for (const branch of rig.branches)
        if (branch.unit === fault.at) rig.way(branch.link).open = branch.restsOpen = 1
    if (fault.kind === 'piston-stuck')
      for (const { cell } of rig.worn.get(fault.at) ?? []) {
        rig.at(cell).takeUpMl = 0
        rig.at(cell).wallMlPerKPa = 0
      }
  }
}

/** A vehicle file as a network that can be pressed, opened, fed and bled. */
export function assemble(
  vehicle: Vehicle,
  { tempC, axlesHang = false }: { tempC: number; axlesHang?: boolean },
  faults: readonly RigFault[],
): Assembly {
  const rig = new Assembly(vehicle, tempC, axlesHang)
  for (const part of partsOf(vehicle, 'reservoir')) addReservoir(rig, part)
  for (const part of partsOf(vehicle, 'master-cylinder')) addCylinder(rig, part)
  for (const part of partsOf(vehicle, 'pump')) addPump(rig, part)
  addLines(rig, faults)
  addFaults(rig, faults)
  return rig
}

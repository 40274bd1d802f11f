import type { Assembly } from '../build'
import { ofHole, ofLeak } from '../link'
import { usual } from '../usual'

/** A bleeder, shut at first: a bored passage and a hole at its seat. */
export function addBleeder(rig: Assembly, id: string, of: number, atTop: boolean): void {
  const { holeMm, boreMm, lengthM } = usual.bleeder
  const cell = rig.outside({ of: id, heightM: rig.heightM(rig.at(of).of, -usual.dropM), baseMl: 0 })
  const link = rig.link({
    from: of,
    to: cell,
    out: ofHole(holeMm, { boreMm, lengthM }, rig.liquid),
    takesOut: atTop ? 'air-first' : 'liquid-first',
  })
  rig.way(link).open = 0
  rig.outlets.push({ id, kind: 'bleeder', link, cell, of, hose: 'open', bottleOld: 1 })
}

/** A joint that may be cracked: tight at first. */
export function addJoint(rig: Assembly, id: string, of: number): void {
  const { crackMm } = usual
  const cell = rig.outside({ of: id, heightM: rig.at(of).heightM, baseMl: 0 })
  const link = rig.link({
    from: of,
    to: cell,
    out: ofHole(crackMm, { boreMm: crackMm, lengthM: 0.005 }, rig.liquid),
  })
  rig.way(link).open = 0
  rig.outlets.push({ id, kind: 'joint', link, cell, of, hose: 'open', bottleOld: 1 })
}

/** A leak to the outside: it weeps as there is pressure, and draws nothing. */
export function addLeak(rig: Assembly, id: string, of: number, mlPerMinPerMPa: number): void {
  const cell = rig.outside({ of: id, heightM: rig.at(of).heightM, baseMl: 0 })
  const link = rig.link({ from: of, to: cell, out: ofLeak(mlPerMinPerMPa), back: 'none' })
  rig.outlets.push({ id, kind: 'leak', link, cell, of, hose: 'check-valve', bottleOld: 1 })
}

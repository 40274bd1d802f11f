import { tubeMl } from '../../physics/hydraulics/tube'
import type { Line } from '../../vehicle/schema'
import type { Assembly } from '../build'
import { inSeries, type LinkShape, ofHole, ofTubes, type Resistance } from '../link'
import { Tube } from '../tube'
import { usual } from '../usual'
import { addJoint } from './outlets'

/** What a fault does to a line's last piece. */
export type LineFault = { chokeMm?: number; flap?: true; softMlPerMPa?: number }

export const lineId = ({ id, from, to }: Line): string => id ?? `${from}>${to}`

/** Pieces of tube and hose as cells in a row, half of each one's resistance to either side. */
export function addLine(
  rig: Assembly,
  line: Line,
  from: { cell: number; unit: boolean },
  to: number,
  fault: LineFault,
): void {
  const { liquid } = rig
  const of = lineId(line)
  const [high, low] = [rig.at(from.cell).heightM, rig.at(to).heightM]
  const pieces = line.segments.flatMap((segment) => {
    const count = Math.min(usual.mostCells, Math.max(1, Math.ceil(tubeMl(segment) / usual.cellMl)))
    return Array.from({ length: count }, () => ({ ...segment, lengthM: segment.lengthM / count }))
  })
  const unit = (mm: number): Resistance =>
    from.unit ? ofHole(mm, { boreMm: mm, lengthM: usual.unit.lengthM }, liquid) : { laminar: 0, square: 0 }
  let before = from.cell
  let half: Resistance = { laminar: 0, square: 0 }
  let last = before
  for (const [i, piece] of pieces.entries()) {
    const cell = rig.cell({
      of,
      heightM: high + ((low - high) * (i + 0.5)) / pieces.length,
      baseMl: tubeMl(piece),
      boreMm: piece.boreMm,
      tube: new Tube(),
      wallMlPerKPa: piece.kind === 'hose' ? (usual.hoseMlPerMMPa * piece.lengthM) / 1000 : 0,
    })
    const mine = ofTubes([{ ...piece, lengthM: piece.lengthM / 2 }], liquid)
    const bore = { boreMm: piece.boreMm, mm2PerS: liquid.mm2PerS }
    const shape: LinkShape = { from: before, to: cell, out: inSeries(half, mine), bore }
    rig.link(
      i === 0
        ? {
            ...shape,
            out: inSeries(unit(usual.unit.outMm), shape.out),
            back: inSeries(unit(usual.unit.backMm), shape.out),
          }
        : shape,
    )
    half = mine
    before = cell
    last = cell
  }
  const end = rig.at(last)
  end.wallMlPerKPa += (fault.softMlPerMPa ?? 0) / 1000
  const choke =
    fault.chokeMm === undefined ? [] : [ofTubes([{ lengthM: usual.chokeM, boreMm: fault.chokeMm }], liquid)]
  rig.link({
    from: last,
    to,
    out: inSeries(half, ...choke),
    ...(fault.flap && { back: 'none' }),
  })
  addJoint(rig, of, last)
}

import { perObject } from '../base/memo'
import { type Piece, pushPlug } from '../physics/exchange/plug-front'
import { lineMl, unitShareMl } from '../plan/volumes'
import { lineKey } from '../vehicle/network'
import { partsOf } from '../vehicle/parts'
import type { Vehicle } from '../vehicle/schema'
import { routedBleederOf } from './points'

const piecesByPoint = perObject((_vehicle: Vehicle) => new Map<string, Piece[]>())

/** What fluid passes on its way to a bleeder, from the cylinder: lines, and a unit's share between them. Asked at every pull. */
function piecesTo(vehicle: Vehicle, point: string): Piece[] {
  const known = piecesByPoint(vehicle)
  const pieces = known.get(point) ?? workOutPieces(vehicle, point)
  known.set(point, pieces)
  return pieces
}

function workOutPieces(vehicle: Vehicle, point: string): Piece[] {
  const units = partsOf(vehicle, 'control-unit')
  return (routedBleederOf(vehicle, point)?.route?.lines ?? []).flatMap((line) => {
    const unit = units.find(({ id }) => id === line.to)
    const piece = { key: lineKey(line), ml: lineMl(line) }
    return unit ? [piece, { key: `${unit.id} ${line.circuit}`, ml: unitShareMl(vehicle, unit) }] : [piece]
  })
}

/** How far the reservoir's fluid has come once more of it went through a point. */
export const frontAfter = (
  vehicle: Vehicle,
  front: Readonly<Record<string, number>>,
  point: string,
  ml: number,
): Record<string, number> => pushPlug(piecesTo(vehicle, point), front, ml)

/** Share of each line, by its key, that the reservoir's fluid fills by now, from 0 to 1. */
export function frontShares(vehicle: Vehicle, front: Readonly<Record<string, number>>): Map<string, number> {
  return new Map(
    vehicle.lines.map((line) => {
      const ml = lineMl(line)
      return [lineKey(line), ml > 0 ? Math.min(1, (front[lineKey(line)] ?? 0) / ml) : 0]
    }),
  )
}

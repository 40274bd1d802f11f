import { fact } from '../base/decision'
import { lineId } from '../rig/parts/line'
import type { Line, Vehicle } from '../vehicle/schema'
import type { SheetPlace } from './sheet'

export type Segment = Line['segments'][number]

export const lineAt = (vehicle: Vehicle, at: string): Line | undefined =>
  vehicle.lines.find((each) => lineId(each) === at)

/** Lines that have a piece of this kind. */
export const linesWith = (vehicle: Vehicle, kind: Segment['kind']): SheetPlace[] =>
  vehicle.lines
    .filter(({ segments }) => segments.some((segment) => segment.kind === kind))
    .map((line) => ({ id: lineId(line), name: fact('line-named', { id: lineId(line) }) }))

/** The vehicle with other pieces in one of its lines: they were measured, and are assumed no more. */
export const withSegments = (vehicle: Vehicle, of: Line, segments: Segment[]): Vehicle => ({
  ...vehicle,
  lines: vehicle.lines.map((line) => (line === of ? { ...of, segments } : line)),
  assumed: vehicle.assumed?.filter((id) => id !== of.id),
})

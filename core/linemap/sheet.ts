import type { Line, Part } from '../vehicle/schema'

/** Distance between two tracks that a line may lie on, in drawing units. */
export const TRACK = 8

/** A point of the drawing, in units; x to the right, y to the rear. */
export type Point = { x: number; y: number }
/** A point of the track grid, in tracks. */
export type Cell = { x: number; y: number }
/** An area of the track grid; its edges lie on tracks. */
export type Box = { left: number; top: number; width: number; height: number }

export const units = ({ x, y }: Cell): Point => ({ x: x * TRACK, y: y * TRACK })
export const middleOf = ({ left, top, width, height }: Box): Cell => ({
  x: left + width / 2,
  y: top + height / 2,
})
/** A part where it stands, in drawing units from its middle. */
export type MapPart = Point & { part: Part; width: number; height: number }
/** A bleeder beside its part. */
export type MapBleeder = Point & { id: string; partId: string }
/** A wheel as scenery: brakes stand beside it. */
export type MapTyre = Point & { width: number; height: number }
/** A line as it is drawn, from source to end, with where its hoses are. */
export type MapLine = {
  line: Line
  points: Point[]
  /** In order, as shares of the drawn length. */
  pieces: { kind: 'tube' | 'hose'; from: number; to: number }[]
  circuitIndex: number
  /** Where a word about the line has room. */
  labelAt?: Point
}
/** From a reservoir to the cylinder, chamber or pump it feeds: no line of the file, but fluid goes there. */
export type MapFeed = { reservoirId: string; toId: string; points: Point[] }

export type MapLayout = {
  width: number
  height: number
  parts: MapPart[]
  tyres: MapTyre[]
  bleeders: MapBleeder[]
  lines: MapLine[]
  feeds: MapFeed[]
  circuits: string[]
  /** Ids of lines for which there was no room; never left out silently. */
  undrawn: string[]
}

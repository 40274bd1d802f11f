import type { Line } from '../vehicle/schema'
import type { MapLine, Point } from './sheet'

/** A hose shorter than this on the drawing would not be seen as one. */
const SHORTEST_HOSE = 14

/**
 * A line's tubes and hoses as shares of its drawn length: by their own lengths, but that a short hose is drawn long
 * enough to be seen.
 *
 * @param drawnLength in drawing units
 */
export function piecesOf({ segments }: Line, drawnLength: number): MapLine['pieces'] {
  const least = Math.min(SHORTEST_HOSE / Math.max(1, drawnLength), 0.6 / segments.length)
  const total = segments.reduce((sum, { lengthM }) => sum + lengthM, 0)
  const weights = segments.map(({ kind, lengthM }) => Math.max(lengthM / total, kind === 'hose' ? least : 0))
  const sum = weights.reduce((all, weight) => all + weight, 0)
  const pieces: MapLine['pieces'] = []
  let from = 0
  for (const [i, { kind }] of segments.entries()) {
    const to = i === segments.length - 1 ? 1 : from + (weights[i] ?? 0) / sum
    const last = pieces.at(-1)
    if (last?.kind === kind) last.to = to
    else pieces.push({ kind, from, to })
    from = to
  }
  return pieces
}

const stretch = (a: Point, b: Point) => Math.abs(a.x - b.x) + Math.abs(a.y - b.y)

/** Length of a way of straight pieces along the sheet. */
export const lengthOf = (points: readonly Point[]): number =>
  points.slice(1).reduce((sum, point, i) => sum + stretch(point, points[i] ?? point), 0)

/** The part of a drawn line between two shares of its length. */
export function cutOut(points: readonly Point[], from: number, to: number): Point[] {
  const total = lengthOf(points)
  const [begin, end] = [from * total, to * total]
  const cut: Point[] = []
  let gone = 0
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1], points[i]]
    if (!a || !b) break
    const length = stretch(a, b)
    const along = (at: number): Point => {
      const share = length === 0 ? 0 : (at - gone) / length
      return { x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share }
    }
    if (gone + length >= begin && gone <= end) {
      if (cut.length === 0) cut.push(along(Math.max(begin, gone)))
      cut.push(gone + length <= end ? b : along(end))
    }
    gone += length
  }
  return cut
}

import type { MapBleeder, MapLine, MapPart, MapTyre, Point } from './sheet'

/** Room for a length such as "3.90 m", in drawing units. */
const LABEL = { width: 32, height: 11 }

/** A part's corner may carry a sign. */
const BADGE = 4

type Area = { x: number; y: number; width: number; height: number }

const meet = (a: Area, b: Area) =>
  Math.abs(a.x - b.x) < (a.width + b.width) / 2 && Math.abs(a.y - b.y) < (a.height + b.height) / 2

/** A shorter straight piece would be hidden by its own label. */
const SHORTEST_UNDER = 48

/** Points on a line's long straight pieces, the longest piece first, then points beside its short ones. */
function spots(points: readonly Point[]): Point[] {
  const pieces = points.slice(1).map((b, i) => ({ a: points[i] ?? b, b }))
  const length = ({ a, b }: (typeof pieces)[number]) => Math.abs(a.x - b.x) + Math.abs(a.y - b.y)
  const along = ({ a, b }: (typeof pieces)[number], share: number) => ({
    x: a.x + (b.x - a.x) * share,
    y: a.y + (b.y - a.y) * share,
  })
  const longest = [...pieces].sort((p, q) => length(q) - length(p))
  const long = longest.filter((piece) => length(piece) >= SHORTEST_UNDER)
  const under = [0.5, 0.35, 0.65, 0.2, 0.8].flatMap((share) => long.map((piece) => along(piece, share)))
  const beside = longest.flatMap((piece) => {
    const { x, y } = along(piece, 0.5)
    const level = piece.a.y === piece.b.y
    return [1, -1].map((to) => (level ? { x, y: y + to * 9.5 } : { x: x + to * 19.5, y }))
  })
  return [...under, ...beside]
}

/** Whether a label there would lie on another line, which it would then seem to speak of. */
function liesOn({ x, y, width, height }: Area, points: readonly Point[]): boolean {
  return points.slice(1).some((b, i) => {
    const a = points[i] ?? b
    return (
      Math.min(a.x, b.x) < x + width / 2 &&
      Math.max(a.x, b.x) > x - width / 2 &&
      Math.min(a.y, b.y) < y + height / 2 &&
      Math.max(a.y, b.y) > y - height / 2
    )
  })
}

/** Find a place for each line's length on the line itself, over no part, no bleeder, no other line and no other label. */
export function labelPlaces(
  lines: readonly Omit<MapLine, 'labelAt'>[],
  parts: readonly MapPart[],
  bleeders: readonly MapBleeder[],
  tyres: readonly MapTyre[],
): MapLine[] {
  const taken: Area[] = [
    ...tyres,
    ...parts.map(({ x, y, width, height }) => ({
      x,
      y,
      width: Math.max(12, width + BADGE),
      height: Math.max(12, height + BADGE),
    })),
    ...bleeders.map(({ x, y }) => ({ x, y, width: 22, height: 22 })),
  ]
  return lines.map((line) => {
    const labelAt = spots(line.points).find((spot) => {
      const area = { ...spot, ...LABEL }
      return (
        !taken.some((other) => meet(area, other)) &&
        !lines.some((other) => other !== line && other.points !== line.points && liesOn(area, other.points))
      )
    })
    if (labelAt) taken.push({ ...labelAt, ...LABEL })
    return { ...line, labelAt }
  })
}

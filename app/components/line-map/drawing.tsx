import { fluidPaints } from '~/components/swatch'
import { airPlaces } from '~core/linemap/air-places'
import { layoutVehicle } from '~core/linemap/layout'
import { cutOut } from '~core/linemap/pieces'
import type { MapBleeder, MapLine, MapTyre, Point } from '~core/linemap/sheet'
import { lineKey, lineLengthM } from '~core/vehicle/network'
import type { Vehicle } from '~core/vehicle/schema'
import { DrawnPart } from './drawn-part'
import { type BleederMark, stateWords } from './marks'
import { bodyOutline } from './outline'

/** Circuits beyond this many share a pattern again; their labels still tell them apart in the list. */
export const PATTERNS = 6

type Props = {
  vehicle: Vehicle
  marks?: readonly BleederMark[]
  /** Ids of parts and lines that are picked out. */
  picked?: readonly string[]
  onPick?: (id: string) => void
  /** Write each line's length on it. */
  lengths?: boolean
  /** Share of each line, by its key, that new fluid fills by now. */
  front?: ReadonlyMap<string, number>
}

export const pathOf = (points: readonly Point[]) =>
  points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`).join(' ')

/** What is inside the map's sheet: nothing but marks, the same on the screen, in a saved picture and in print. */
export function MapDrawing({ vehicle, marks = [], picked = [], onPick, lengths = false, front }: Props) {
  const layout = layoutVehicle(vehicle)
  const air = airPlaces(vehicle)
  const named = (id: string) => marks.find((mark) => mark.id === id)
  return (
    <>
      <path d={bodyOutline(vehicle, layout)} className="lm-body" />
      <text x={layout.width / 2} y="9" className="lm-front">
        FRONT
      </text>
      {layout.tyres.map((tyre) => (
        <Tyre key={`${tyre.x} ${tyre.y}`} tyre={tyre} />
      ))}
      {layout.feeds.map(({ reservoirId, toId, points }) => (
        <g key={`${reservoirId} ${toId}`}>
          <path d={pathOf(points)} className="lm-feed" />
          <path d={pathOf(points)} className="lm-feed-inside" />
        </g>
      ))}
      {layout.lines.map((drawn) => (
        <DrawnLine
          key={keyOf(drawn)}
          drawn={drawn}
          picked={picked}
          onPick={onPick}
          filled={front?.get(lineKey(drawn.line))}
        />
      ))}
      {layout.parts.map((place) => (
        <DrawnPart
          key={place.part.id}
          place={place}
          air={air.find(({ partId }) => partId === place.part.id)}
          picked={picked.includes(place.part.id)}
          onPick={onPick}
        />
      ))}
      {layout.bleeders.map((place) => (
        <DrawnBleeder key={place.id} place={place} mark={named(place.id)} />
      ))}
      {lengths && layout.lines.map((drawn) => <Length key={keyOf(drawn)} drawn={drawn} />)}
    </>
  )
}

const keyOf = ({ line, points }: MapLine) => line.id ?? `${line.from} ${line.to} ${pathOf(points)}`

function Tyre({ tyre: { x, y, width, height } }: { tyre: MapTyre }) {
  const [left, top] = [x - width / 2, y - height / 2]
  const grooves = Array.from({ length: Math.floor(height / 8) - 1 }, (_, i) => top + 8 * (i + 1))
  return (
    <g>
      <rect x={left} y={top} width={width} height={height} rx={5} className="lm-tyre" />
      <path
        d={grooves.map((at) => `M${left + 2} ${at}h4M${left + width - 6} ${at}h4`).join('')}
        className="lm-tread"
      />
    </g>
  )
}

/** One line over a casing of the sheet's own colour, so that another circuit is seen to pass under it. */
function DrawnLine({
  drawn,
  picked,
  onPick,
  filled = 0,
}: { drawn: MapLine; filled?: number } & Pick<Props, 'picked' | 'onPick'>) {
  const { line, points, pieces } = drawn
  const circuit = drawn.circuitIndex % PATTERNS
  const pick = onPick && line.id !== undefined ? () => onPick(line.id ?? '') : undefined
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the same choice is in the list beside the map, by label and key
    <g onClick={pick} className={pick ? 'lm-tappable' : undefined}>
      <title>{`${line.id ?? `${line.from} to ${line.to}`}, circuit ${line.circuit}, ${lineLengthM(line).toFixed(2)} m`}</title>
      <path d={pathOf(points)} className="lm-casing" />
      {picked?.includes(line.id ?? '') && <path d={pathOf(points)} className="lm-picked-line" />}
      {filled > 0 && <NewFluid points={cutOut(points, 0, filled)} whole={filled >= 1} />}
      {pieces.map(({ kind, from, to }) => {
        const path = pathOf(cutOut(points, from, to))
        return kind === 'tube' ? (
          <path key={from} d={path} className={`lm-tube lm-circuit-${circuit}`} />
        ) : (
          <g key={from}>
            <path d={path} className={`lm-hose lm-stroke-${circuit}`} />
            <path d={path} className="lm-hose-inside" />
            <path d={path} className={`lm-hose-core lm-circuit-${circuit}`} />
          </g>
        )
      })}
      {pick && <path d={pathOf(points)} className="lm-hit" />}
    </g>
  )
}

/** New fluid that has come so far, under its line; a bar stands across the line at its front. */
function NewFluid({ points, whole }: { points: readonly Point[]; whole: boolean }) {
  const [before, front] = points.slice(-2)
  const path = pathOf(points)
  const turn = before && front ? (Math.atan2(front.y - before.y, front.x - before.x) * 180) / Math.PI : 0
  return (
    <>
      <path d={path} className="lm-new-edge" />
      <path d={path} className="lm-new" stroke={fluidPaints.new} />
      {!whole && front && (
        <rect
          x={front.x - 1.6}
          y={front.y - 9}
          width={3.2}
          height={18}
          transform={`rotate(${turn} ${front.x} ${front.y})`}
          className="lm-new-front"
        />
      )}
    </>
  )
}

function Length({ drawn: { line, labelAt } }: { drawn: MapLine }) {
  if (!labelAt) return null
  return (
    <g>
      <rect x={labelAt.x - 15} y={labelAt.y - 6} width={30} height={12} rx={2} className="lm-length-ground" />
      <text x={labelAt.x} y={labelAt.y + 3} className="lm-length">
        {lineLengthM(line).toFixed(2)} m
      </text>
    </g>
  )
}

function DrawnBleeder({ place: { x, y, id }, mark }: { place: MapBleeder; mark?: BleederMark }) {
  const state = mark?.state ?? 'out'
  return (
    <g className={`lm-bleeder lm-bleeder-${state}`}>
      <title>{`bleeder ${id}: ${stateWords[state]}`}</title>
      {state === 'open' && <circle cx={x} cy={y} r={14} className="lm-open-ring" />}
      {state === 'current' ? (
        <rect x={x - 10.5} y={y - 10.5} width={21} height={21} rx={2} />
      ) : (
        <circle cx={x} cy={y} r={state === 'out' ? 5 : 10.5} />
      )}
      {mark && (
        <text
          x={x}
          y={y + (mark.label.length > 2 ? 3.3 : 4.4)}
          className={mark.label.length > 2 ? 'lm-small' : undefined}
        >
          {state === 'done' ? '✓' : mark.label}
        </text>
      )}
    </g>
  )
}

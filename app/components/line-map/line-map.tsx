import { useId } from 'react'
import {
  cutAt,
  layoutVehicle,
  type MapBleeder,
  type MapLine,
  type MapPart,
  type Point,
  SHEET,
} from '~core/map/layout'
import { partName } from '~core/vehicle/parts'
import type { Vehicle } from '~core/vehicle/schema'
import './line-map.css'

/** How far along the work a bleeder is; told by shape and word as well as by fill. */
export type BleederMark = {
  id: string
  label: string
  state: 'waiting' | 'current' | 'open' | 'done' | 'out'
}

type Props = {
  vehicle: Vehicle
  marks?: readonly BleederMark[]
  /** Ids of parts and lines that are picked out, at check in. */
  picked?: readonly string[]
  onPick?: (id: string) => void
  className?: string
}

const pathOf = (points: readonly Point[]) =>
  points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`).join(' ')

/** The vehicle's hydraulics seen from above: the same picture at every station. */
export function LineMap({ vehicle, marks = [], picked = [], onPick, className = '' }: Props) {
  const layout = layoutVehicle(vehicle)
  const titleId = useId()
  const markOf = (id: string) => marks.find((mark) => mark.id === id)
  return (
    <figure className={`line-map ${className}`}>
      <svg viewBox={`0 0 ${SHEET.width} ${SHEET.height}`} role="img" aria-labelledby={titleId}>
        <title id={titleId}>{`${vehicle.name} from above, front at the top`}</title>
        <path d={bodyOutline(vehicle)} className="lm-body" />
        <text x={SHEET.width / 2} y="9" className="lm-front">
          FRONT
        </text>
        {layout.circuits.map((circuit, i) => (
          <Circuit
            key={circuit}
            lines={layout.lines.filter(({ circuitIndex }) => circuitIndex === i)}
            picked={picked}
            onPick={onPick}
          />
        ))}
        {layout.parts.map((place) => (
          <DrawnPart
            key={place.part.id}
            place={place}
            picked={picked.includes(place.part.id)}
            onPick={onPick}
          />
        ))}
        {layout.bleeders.map((place) => (
          <DrawnBleeder key={place.id} place={place} mark={markOf(place.id)} />
        ))}
      </svg>
      <figcaption className="lm-key">
        {layout.circuits.map((circuit, i) => (
          <span key={circuit}>
            <svg viewBox="0 0 34 8" aria-hidden="true">
              <path d="M0 4H34" className={`lm-tube lm-circuit-${i % 4}`} />
            </svg>
            {circuit}
          </span>
        ))}
        <span>
          <svg viewBox="0 0 34 8" aria-hidden="true">
            <path d="M0 4H34" className="lm-hose" />
            <path d="M0 4H34" className="lm-hose-inside" />
          </svg>
          hose
        </span>
      </figcaption>
    </figure>
  )
}

function bodyOutline({ kind }: Vehicle): string {
  if (kind === 'motorcycle')
    return 'M88 19 Q100 11 112 19 L116 112 Q118 180 112 208 Q100 215 88 208 Q82 180 84 112 Z'
  if (kind === 'trailer') return 'M44 56 H156 V214 H44 Z'
  return 'M52 23 Q100 13 148 23 L152 208 Q100 216 48 208 Z'
}

/**
 * One circuit: all of its casings first, so that its lines run into each other where they join and only other
 * circuits are seen to pass under them.
 */
function Circuit({
  lines,
  picked,
  onPick,
}: {
  lines: MapLine[]
  picked: readonly string[]
  onPick?: (id: string) => void
}) {
  return (
    <g>
      {lines.map(({ line, points }) => (
        <path key={line.id ?? pathOf(points)} d={pathOf(points)} className="lm-casing" />
      ))}
      {lines.map((drawn) => (
        <DrawnLine
          key={drawn.line.id ?? pathOf(drawn.points)}
          drawn={drawn}
          picked={picked.includes(drawn.line.id ?? '')}
          onPick={onPick}
        />
      ))}
    </g>
  )
}

function DrawnLine({
  drawn,
  picked,
  onPick,
}: {
  drawn: MapLine
  picked: boolean
  onPick?: (id: string) => void
}) {
  const { line, points, hoseFrom, circuitIndex } = drawn
  const [tube, hose] = cutAt(points, hoseFrom)
  const pick = onPick && line.id !== undefined ? () => onPick(line.id ?? '') : undefined
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the same choice is in the list beside the map, by label and key
    <g onClick={pick} className={pick ? 'lm-tappable' : undefined}>
      {picked && <path d={pathOf(points)} className="lm-picked-line" />}
      <path d={pathOf(tube)} className={`lm-tube lm-circuit-${circuitIndex % 4}`} />
      {hose.length > 0 && hoseFrom < 1 && (
        <>
          <path d={pathOf(hose)} className={`lm-hose lm-hose-${circuitIndex % 4}`} />
          <path d={pathOf(hose)} className="lm-hose-inside" />
        </>
      )}
      {pick && <path d={pathOf(points)} className="lm-hit" />}
    </g>
  )
}

const shortNames: Partial<Record<MapPart['part']['type'], string>> = {
  reservoir: 'RES',
  'master-cylinder': 'CYL',
  'clutch-slave': 'CLUTCH',
  'stroke-simulator': 'SIM',
  pump: 'PUMP',
}

function DrawnPart({
  place,
  picked,
  onPick,
}: {
  place: MapPart
  picked: boolean
  onPick?: (id: string) => void
}) {
  const { part, x, y, width, height } = place
  const pick = onPick ? () => onPick(part.id) : undefined
  const round =
    part.type === 'wheel-brake' ? 5 : part.type === 'junction' ? 4 : part.type === 'reservoir' ? 4 : 1
  const label =
    part.type === 'control-unit'
      ? part.role.replace('brake-by-wire', 'by wire').toUpperCase()
      : shortNames[part.type]
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the same choice is in the list beside the map, by label and key
    <g onClick={pick} className={pick ? 'lm-tappable' : undefined}>
      <title>{`${partName(part)} (${part.id})`}</title>
      <rect
        x={x - width / 2}
        y={y - height / 2}
        width={width}
        height={height}
        rx={round}
        className={`lm-part lm-${part.type} ${picked ? 'lm-picked' : ''}`}
      />
      {part.type === 'wheel-brake' && <path d={treads(place)} className="lm-tread" />}
      {part.type === 'wheel-brake' && part.brake === 'drum' && (
        <circle cx={x} cy={y} r={6} className="lm-drum" />
      )}
      {part.type === 'valve' && (
        <path
          d={`M${x - 5} ${y - 4} L${x + 5} ${y + 4} V${y - 4} L${x - 5} ${y + 4} Z`}
          className="lm-valve-mark"
        />
      )}
      {pick && (
        <rect
          x={x - width / 2 - 8}
          y={y - height / 2 - 2}
          width={width + 16}
          height={height + 4}
          className="lm-hit-area"
        />
      )}
      {label && (
        <text x={x} y={y + 3.2} className="lm-label">
          {label}
        </text>
      )}
    </g>
  )
}

const treads = ({ x, y, width, height }: MapPart) =>
  [-14, -7, 0, 7, 14]
    .filter((dy) => Math.abs(dy) < height / 2 - 3)
    .map((dy) => `M${x - width / 2 + 3} ${y + dy} h4 M${x + width / 2 - 7} ${y + dy} h4`)
    .join(' ')

function DrawnBleeder({ place, mark }: { place: MapBleeder; mark?: BleederMark }) {
  const { x, y, id } = place
  const state = mark?.state ?? 'out'
  const words = { waiting: 'waits', current: 'now', open: 'open', done: 'done', out: 'not in this work' }
  return (
    <g className={`lm-bleeder lm-bleeder-${state}`}>
      <title>{`bleeder ${id}: ${words[state]}`}</title>
      {state === 'open' && <circle cx={x} cy={y} r={15} className="lm-open-ring" />}
      {state === 'current' ? (
        <rect x={x - 11} y={y - 11} width={22} height={22} rx={2} />
      ) : (
        <circle cx={x} cy={y} r={state === 'out' ? 5 : 11} />
      )}
      {mark && (
        <text x={x} y={y + 4.6}>
          {state === 'done' ? '✓' : mark.label}
        </text>
      )}
    </g>
  )
}

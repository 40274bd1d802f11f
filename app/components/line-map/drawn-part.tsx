import { useSay } from '~/lib/say'
import type { AirPlace } from '~core/linemap/air-places'
import type { MapPart } from '~core/linemap/sheet'
import { partFact } from '~core/vehicle/parts'
import type { Part, PartOf } from '~core/vehicle/schema'

const valveWords: Record<PartOf<'valve'>['role'], string> = {
  'load-sensing': 'LOAD',
  metering: 'METER',
  residual: 'RESID',
  proportioning: 'PROP',
  deceleration: 'DECEL',
  'pressure-difference': 'DIFF',
}

/** The one word on a part; brakes and tees are told by their shape. */
export function partWord(part: Part): string | undefined {
  switch (part.type) {
    case 'reservoir':
      return 'RES'
    case 'master-cylinder':
      return 'CYL'
    case 'control-unit':
      return part.role === 'brake-by-wire' ? 'BY WIRE' : part.role.toUpperCase()
    case 'clutch-slave':
      return 'CLUTCH'
    case 'stroke-simulator':
      return 'SIM'
    case 'pump':
      return 'PUMP'
    case 'valve':
      return valveWords[part.role]
    default:
      return undefined
  }
}

const isTight = ({ type }: Part, word: string) => word.length > 5 || (type === 'valve' && word.length > 4)

type Props = { place: MapPart; air?: AirPlace; picked: boolean; onPick?: (id: string) => void }

export function DrawnPart({ place, air, picked, onPick }: Props) {
  const say = useSay()
  const { part, x, y, width, height } = place
  const pick = onPick ? () => onPick(part.id) : undefined
  const word = partWord(part)
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the same choice is in the list beside the map, by label and key
    <g onClick={pick} className={pick ? 'lm-tappable' : undefined}>
      <title>{`${say(partFact(part))} (${part.id})`}</title>
      <Shape place={place} picked={picked} />
      {word && (
        <text x={x} y={y + 3.4} className={isTight(part, word) ? 'lm-label lm-label-tight' : 'lm-label'}>
          {word}
        </text>
      )}
      {air && <AirMark x={x - width / 2} y={y - height / 2} text={say(air.why)} />}
      {pick && (
        <rect
          x={x - width / 2 - 7}
          y={y - height / 2 - 7}
          width={width + 14}
          height={height + 14}
          className="lm-hit-area"
        />
      )}
    </g>
  )
}

function Shape({ place: { part, x, y, width, height }, picked }: Pick<Props, 'place' | 'picked'>) {
  const className = `lm-part lm-${part.type} ${picked ? 'lm-picked' : ''}`
  const [left, top] = [x - width / 2, y - height / 2]
  switch (part.type) {
    case 'junction':
      return width === 0 ? (
        <circle cx={x} cy={y} r={4.6} className={className} />
      ) : (
        <rect x={left} y={top + 2} width={width} height={height - 4} rx={3} className={className} />
      )
    case 'wheel-brake':
      return (
        <>
          <rect x={left} y={top} width={width} height={height} rx={2} className={className} />
          {part.brake === 'drum' ? (
            <path d={drum(x, y)} className="lm-brake-sign" />
          ) : (
            <>
              <circle cx={x} cy={y} r={8} className="lm-brake-sign" />
              <path d={caliper(x, y)} className="lm-caliper" />
            </>
          )}
        </>
      )
    case 'valve':
      return (
        <path
          d={`M${left + 5} ${top} H${left + width - 5} L${left + width} ${y} L${left + width - 5} ${top + height} H${left + 5} L${left} ${y} Z`}
          className={className}
        />
      )
    case 'master-cylinder':
      return (
        <>
          <rect x={left} y={top} width={width} height={height} rx={1} className={className} />
          <path d={chamberTicks(part, left, top, width, height)} className="lm-chamber" />
        </>
      )
    default:
      return (
        <rect
          x={left}
          y={top}
          width={width}
          height={height}
          rx={part.type === 'reservoir' ? 6 : 1}
          className={className}
        />
      )
  }
}

/** Two shoes in a drum. */
const drum = (x: number, y: number) =>
  `M${x - 8} ${y} a8 8 0 1 0 16 0 a8 8 0 1 0 -16 0 M${x - 2} ${y - 4.5} a4.6 4.6 0 0 0 0 9 M${x + 2} ${y - 4.5} a4.6 4.6 0 0 1 0 9`
/** A caliper over the disc's edge. */
const caliper = (x: number, y: number) => `M${x - 8} ${y - 5} a9.4 9.4 0 0 1 16 0 l-4 2 a5 5 0 0 0 -8 0 Z`

const chamberTicks = (
  { chambers }: PartOf<'master-cylinder'>,
  left: number,
  top: number,
  width: number,
  height: number,
) =>
  chambers
    .slice(1)
    .map((_, i) => {
      const at = left + ((i + 1) * width) / chambers.length
      return `M${at} ${top} v5 M${at} ${top + height} v-5`
    })
    .join(' ')

/** Bubbles at a corner, where no line joins. */
function AirMark({ x, y, text }: { x: number; y: number; text: string }) {
  return (
    <g className="lm-air">
      <title>{`keeps air: ${text}`}</title>
      <circle cx={x} cy={y} r={6.5} className="lm-air-ground" />
      <circle cx={x - 1.6} cy={y + 1.2} r={2.3} />
      <circle cx={x + 2.2} cy={y - 0.2} r={1.5} />
      <circle cx={x - 0.4} cy={y - 3} r={1.2} />
    </g>
  )
}

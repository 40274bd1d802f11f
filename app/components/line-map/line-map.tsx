import { memo, useId, useRef, useState } from 'react'
import { layoutVehicle } from '~core/linemap/layout'
import { MapDrawing, PATTERNS } from './drawing'
import './line-map.css'
import type { Vehicle } from '~core/vehicle/schema'
import { MapList } from './map-list'
import { MapTools } from './map-tools'
import type { BleederMark } from './marks'
import { usePanAndZoom } from './pan-and-zoom'

export type { BleederMark } from './marks'

/** The frame takes the keys that move the picture; the buttons above it do the same. */
const byKeys = {
  tabIndex: 0,
  role: 'group',
  'aria-label': 'Line map. Plus and minus zoom, arrows move, 0 shows all of it',
}

type Props = {
  vehicle: Vehicle
  marks?: readonly BleederMark[]
  /** Ids of parts and lines that are picked out, at check in. */
  picked?: readonly string[]
  onPick?: (id: string) => void
  /** Share of each line, by its key, that new fluid fills by now. */
  front?: ReadonlyMap<string, number>
  /** Just the picture: where hands are wet and one thing matters, there is nothing to move or save. */
  plain?: boolean
  className?: string
}

/** The vehicle's hydraulics seen from above: the same picture at every station, and the same as a list. */
export const LineMap = memo(function LineMap({
  vehicle,
  marks = [],
  picked = [],
  onPick,
  front,
  plain = false,
  className = '',
}: Props) {
  const { width, height, circuits, feeds, undrawn } = layoutVehicle(vehicle)
  const [lengths, setLengths] = useState(false)
  const titleId = useId()
  const svg = useRef<SVGSVGElement>(null)
  const { transform, zoomed, by, fit, onKeyDown } = usePanAndZoom(svg, { width, height, off: plain })
  return (
    <figure className={`line-map ${className}`}>
      {!plain && (
        <MapTools
          svg={svg}
          name={vehicle.name}
          lengths={lengths}
          onLengths={setLengths}
          zoomed={zoomed}
          zoomBy={by}
          fit={fit}
        />
      )}
      <div className="lm-frame" {...(plain ? {} : { ...byKeys, onKeyDown })}>
        <svg
          ref={svg}
          viewBox={`0 0 ${width} ${height}`}
          role="img"
          aria-labelledby={titleId}
          className={`lm-sheet ${zoomed ? 'lm-zoomed' : ''}`}
        >
          <title id={titleId}>{`${vehicle.name} from above, front at the top`}</title>
          <g transform={transform}>
            <MapDrawing
              vehicle={vehicle}
              marks={marks}
              picked={picked}
              onPick={onPick}
              lengths={lengths}
              front={front}
            />
          </g>
        </svg>
      </div>
      <figcaption className="lm-key">
        {circuits.map((circuit, i) => (
          <KeyLine key={circuit} name={circuit}>
            <path d="M0 5H40" className={`lm-tube lm-circuit-${i % PATTERNS}`} />
          </KeyLine>
        ))}
        <KeyLine name="hose">
          <path d="M0 5H40" className="lm-hose lm-stroke-1" />
          <path d="M0 5H40" className="lm-hose-inside" />
        </KeyLine>
        {feeds.length > 0 && (
          <KeyLine name="reservoir feed">
            <path d="M0 5H40" className="lm-feed" />
            <path d="M0 5H40" className="lm-feed-inside" />
          </KeyLine>
        )}
        <KeyLine name="keeps air">
          <g className="lm-air" transform="translate(20 5)">
            <circle cx="-2" cy="1" r="2.6" />
            <circle cx="3" cy="0" r="1.8" />
          </g>
        </KeyLine>
      </figcaption>
      {undrawn.length > 0 && (
        <p className="fault mt-2">
          No room on the map for {undrawn.join(', ')}: see the list below it, or give parts their place in the
          file.
        </p>
      )}
      {!plain && <MapList vehicle={vehicle} marks={marks} />}
    </figure>
  )
})

const KeyLine = ({ name, children }: { name: string; children: React.ReactNode }) => (
  <span>
    <svg viewBox="0 0 40 10" aria-hidden="true">
      {children}
    </svg>
    {name}
  </span>
)

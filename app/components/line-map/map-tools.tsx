import { Maximize, Ruler, ZoomIn, ZoomOut } from 'lucide-react'
import type { RefObject } from 'react'
import { savePng, saveSvg } from './save'

type Props = {
  svg: RefObject<SVGSVGElement | null>
  name: string
  lengths: boolean
  onLengths: (shown: boolean) => void
  zoomed: boolean
  zoomBy: (factor: number) => void
  fit: () => void
}

/** What can be done with the map beside touching it. */
export function MapTools({ svg, name, lengths, onLengths, zoomed, zoomBy, fit }: Props) {
  const save = (how: (svg: SVGSVGElement, name: string) => void) => () => {
    if (svg.current) how(svg.current, name)
  }
  return (
    <div role="toolbar" aria-label="Line map" className="lm-tools">
      <button type="button" aria-label="Larger" onClick={() => zoomBy(1.5)}>
        <ZoomIn size={22} aria-hidden="true" />
      </button>
      <button type="button" aria-label="Smaller" disabled={!zoomed} onClick={() => zoomBy(1 / 1.5)}>
        <ZoomOut size={22} aria-hidden="true" />
      </button>
      <button type="button" aria-label="All of it" disabled={!zoomed} onClick={fit}>
        <Maximize size={22} aria-hidden="true" />
      </button>
      <button type="button" aria-pressed={lengths} onClick={() => onLengths(!lengths)}>
        <Ruler size={22} aria-hidden="true" /> Lengths
      </button>
      <span className="grow" />
      <button type="button" onClick={save(saveSvg)}>
        SVG
      </button>
      <button type="button" onClick={save(savePng)}>
        PNG
      </button>
    </div>
  )
}

import { select } from 'd3-selection'
import { type ZoomBehavior, type ZoomTransform, zoom, zoomIdentity } from 'd3-zoom'
import { type KeyboardEvent, type RefObject, useEffect, useRef, useState } from 'react'

const STEP = 1.5
const MOST = 6

type Sheet = { width: number; height: number; off: boolean }

/**
 * Move and enlarge what is in an SVG: by fingers, wheel, keys and buttons.
 *
 * A page must stay scrollable past the map, so one finger moves it only once it is enlarged, and the wheel only while
 * the map has the focus (or with Ctrl).
 */
export function usePanAndZoom(svg: RefObject<SVGSVGElement | null>, { width, height, off }: Sheet) {
  const [at, setAt] = useState<ZoomTransform>(zoomIdentity)
  const behaviour = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null)
  useEffect(() => {
    const element = svg.current
    if (!element || off) return
    let enlarged = false
    const made = zoom<SVGSVGElement, unknown>()
      .scaleExtent([1, MOST])
      .extent([
        [0, 0],
        [width, height],
      ])
      .translateExtent([
        [0, 0],
        [width, height],
      ])
      .filter((event: WheelEvent | MouseEvent | TouchEvent) => {
        if (event instanceof WheelEvent)
          return event.ctrlKey || element.parentElement === document.activeElement
        if ('touches' in event) return enlarged || event.touches.length > 1
        return enlarged && event.button === 0
      })
      .on('zoom', ({ transform }: { transform: ZoomTransform }) => {
        enlarged = transform.k > 1
        setAt(transform)
      })
    behaviour.current = made
    const selection = select(element).call(made).on('dblclick.zoom', null)
    return () => {
      selection.on('.zoom', null)
      behaviour.current = null
    }
  }, [svg, width, height, off])

  const act = (what: (made: ZoomBehavior<SVGSVGElement, unknown>, element: SVGSVGElement) => void) => {
    if (behaviour.current && svg.current) what(behaviour.current, svg.current)
  }
  const by = (factor: number) => act((made, element) => made.scaleBy(select(element), factor))
  const fit = () => act((made, element) => made.transform(select(element), zoomIdentity))
  const pan = (x: number, y: number) =>
    act((made, element) =>
      made.translateBy(select(element), (x * width) / (8 * at.k), (y * height) / (8 * at.k)),
    )
  const keys = new Map<string, () => void>([
    ['+', () => by(STEP)],
    ['=', () => by(STEP)],
    ['-', () => by(1 / STEP)],
    ['0', fit],
    ['ArrowLeft', () => pan(1, 0)],
    ['ArrowRight', () => pan(-1, 0)],
    ['ArrowUp', () => pan(0, 1)],
    ['ArrowDown', () => pan(0, -1)],
  ])
  const onKeyDown = (event: KeyboardEvent) => {
    const key = keys.get(event.key)
    // Arrows scroll the page while there is nothing to move.
    if (!key || event.ctrlKey || event.metaKey || (event.key.startsWith('Arrow') && at.k === 1)) return
    event.preventDefault()
    key()
  }
  const zoomed = at.k > 1
  return { transform: zoomed ? at.toString() : undefined, zoomed, by, fit, onKeyDown }
}

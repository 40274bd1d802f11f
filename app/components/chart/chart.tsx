import { useEffect, useRef } from 'react'
import { type ChartOption, type Look, lookOf } from './look'

type Props = {
  /** Keep it stable between renders, or the chart is drawn again each time. */
  draw: (look: Look) => ChartOption
  /** The same in words, for whoever does not see it. */
  label: string
  className?: string
}

/** A chart; its library is loaded here alone, in the browser, once one is shown. */
export function Chart({ draw, label, className = 'h-80' }: Props) {
  const box = useRef<HTMLDivElement>(null)
  const latest = useRef(draw)
  const redraw = useRef<() => void>(undefined)
  latest.current = draw
  useEffect(() => {
    const element = box.current
    if (!element) return
    let gone = false
    let takeAway = () => {}
    void import('./library').then(({ init }) => {
      if (gone) return
      const chart = init(element, undefined, { renderer: 'svg' })
      redraw.current = () => chart.setOption(latest.current(lookOf(element)), { notMerge: true })
      redraw.current()
      const fit = new ResizeObserver(() => chart.resize())
      fit.observe(element)
      // The colours are the page's: another theme, and print, which is light, draw it anew.
      const themes = new MutationObserver(() => redraw.current?.())
      themes.observe(document.documentElement, { attributeFilter: ['data-theme'] })
      const schemes = [matchMedia('(prefers-color-scheme: dark)'), matchMedia('print')]
      const again = () => redraw.current?.()
      for (const scheme of schemes) scheme.addEventListener('change', again)
      takeAway = () => {
        fit.disconnect()
        themes.disconnect()
        for (const scheme of schemes) scheme.removeEventListener('change', again)
        chart.dispose()
        redraw.current = undefined
      }
    })
    return () => {
      gone = true
      takeAway()
    }
  }, [])
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is drawn is read from the ref; a new one draws it again
  useEffect(() => redraw.current?.(), [draw])
  // What is drawn has a width of its own, which must not hold the page open when a tablet is turned.
  return <div ref={box} role="img" aria-label={label} className={`contain-inline-size ${className}`} />
}

import { useEffect } from 'react'
import { isGoOnKey } from './foot-switch'

/** The large button that goes on with the work, as it registered itself; the last where one follows another. */
const standing: HTMLElement[] = []

/** The ref of a button that goes on with the work: Space and the foot switch press it. */
export function goesOn(button: HTMLElement | null) {
  if (!button) return
  standing.push(button)
  return () => void standing.splice(standing.indexOf(button), 1)
}

/** What takes such a key for itself: Space presses a control that has the focus, another key is only typed. */
const hears = (key: string) =>
  key === ' ' ? 'button, input, select, textarea, a, summary' : 'input, select, textarea'

/** Space, or the foot switch, presses the large button, wherever the focus is, unless something is being typed or a control has it. */
export function useSpaceGoesOn() {
  useEffect(() => {
    function goOn(event: KeyboardEvent) {
      const button = standing.at(-1)
      if (
        !button ||
        !isGoOnKey(event) ||
        event.repeat ||
        document.querySelector('[role="dialog"], [role="menu"]') ||
        (event.target instanceof Element && event.target.closest(hears(event.key)))
      )
        return
      event.preventDefault()
      button.click()
    }
    window.addEventListener('keydown', goOn)
    return () => window.removeEventListener('keydown', goOn)
  }, [])
}

/**
 * Where the focus goes when a dialog of the bay closes: to the large button, so that the next press of Space or the
 * foot switch goes on with the work instead of opening the dialog again. With no such button, to where it came from.
 */
export function backToWork(event: Event): void {
  const button = standing.at(-1)
  if (!button) return
  event.preventDefault()
  button.focus()
}

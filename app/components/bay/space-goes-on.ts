import { useEffect } from 'react'

/** Space presses the large button, wherever the focus is, unless something is being typed or a control has it. */
export function useSpaceGoesOn() {
  useEffect(() => {
    function goOn(event: KeyboardEvent) {
      if (
        event.key !== ' ' ||
        event.repeat ||
        document.querySelector('[role="dialog"], [role="menu"]') ||
        (event.target instanceof Element &&
          event.target.closest('button, input, select, textarea, a, summary'))
      )
        return
      const button = document.querySelector<HTMLElement>('[data-go-on]')
      if (!button) return
      event.preventDefault()
      button.click()
    }
    window.addEventListener('keydown', goOn)
    return () => window.removeEventListener('keydown', goOn)
  }, [])
}

/**
 * Where the focus goes when a dialog of the bay closes: to the large button, so that the next press of Space or the
 * foot switch goes on with the work instead of opening the dialog again. With no such button, to where it came from.
 */
export function backToWork(event: Event): void {
  const goOn = document.querySelector<HTMLElement>('[data-go-on]')
  if (!goOn) return
  event.preventDefault()
  goOn.focus()
}

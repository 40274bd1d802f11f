import { useEffect, useRef, useState } from 'react'

const HOLD_MS = 500
const SECOND_KEY_MS = 3000

type Props = {
  label: string
  onHeld: () => void
  /** The letter that, with Enter after it, does it too; each is one button's of a screen. `false`: none does. */
  letter?: string | false
  /** A picture beside the label, where there is room. */
  children?: React.ReactNode
}

/**
 * An act of its own: held for half a second, or two different keys (a letter, then Enter). Never the tap or switch that
 * went on before, so that nobody closes a bleeder on the record by a stray press.
 */
export function HoldButton({ label, onHeld, letter = 'c', children }: Props) {
  const [holding, setHolding] = useState(false)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const armedAt = useRef(0)
  const button = useRef<HTMLButtonElement>(null)
  const held = useRef(onHeld)
  held.current = onHeld
  function begin() {
    clearTimeout(timer.current)
    setHolding(true)
    timer.current = setTimeout(() => {
      setHolding(false)
      held.current()
    }, HOLD_MS)
  }
  function stop() {
    clearTimeout(timer.current)
    setHolding(false)
  }
  function holdBySpace(event: React.KeyboardEvent) {
    if (event.key !== ' ') return
    event.preventDefault()
    if (!event.repeat) begin()
  }
  useEffect(() => () => clearTimeout(timer.current), [])
  // The finger that held lifts over whatever has taken this button’s place: that must not count as a tap on it.
  useEffect(() => {
    const element = button.current
    const noTap = (event: TouchEvent) => event.preventDefault()
    element?.addEventListener('touchstart', noTap, { passive: false })
    return () => element?.removeEventListener('touchstart', noTap)
  }, [])
  useEffect(() => {
    if (letter === false) return
    function twoKeys(event: KeyboardEvent) {
      // What is typed into a sheet over the bay is not about the bleeder.
      if (event.target instanceof Element && event.target.closest('input, select, textarea, [role="dialog"]'))
        return
      if (event.key.toLowerCase() === letter) armedAt.current = event.timeStamp
      else if (/^[a-z]$/i.test(event.key)) armedAt.current = 0
      else if (
        event.key === 'Enter' &&
        armedAt.current > 0 &&
        event.timeStamp - armedAt.current < SECOND_KEY_MS
      ) {
        event.preventDefault()
        armedAt.current = 0
        held.current()
      }
    }
    window.addEventListener('keydown', twoKeys)
    return () => window.removeEventListener('keydown', twoKeys)
  }, [letter])
  return (
    <button
      ref={button}
      type="button"
      className="relative min-h-[96px] w-full touch-none px-2 overflow-hidden border-4 border-oxide bg-enamel text-2xl font-extrabold select-none"
      onPointerDown={begin}
      onPointerUp={stop}
      onPointerLeave={stop}
      onPointerCancel={stop}
      onKeyDown={holdBySpace}
      onKeyUp={(event) => event.key === ' ' && stop()}
      onContextMenu={(event) => event.preventDefault()}
    >
      <span
        className={`absolute inset-y-0 left-0 bg-oxide-wash ${holding ? 'w-full transition-[width] duration-500 ease-linear motion-reduce:transition-none' : 'w-0'}`}
      />
      <span className="relative grid">
        <span className="flex items-center justify-center gap-3">
          {children && <span className="max-xl:hidden">{children}</span>}
          {label}
        </span>
        <span className="text-base font-semibold">
          hold half a second{letter !== false && `, or ${letter.toUpperCase()} then Enter`}
        </span>
      </span>
    </button>
  )
}

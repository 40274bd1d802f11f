import { useEffect, useState } from 'react'

/** One stroke down and up, slow enough for the cylinder to fill again. @source common practice */
const STROKE_MS = 1500

/** Counts the strokes down to the one that is held, in a beat that eye and hand can follow. */
export function PumpCount({ pumps }: { pumps: number }) {
  const [left, setLeft] = useState(pumps)
  useEffect(() => {
    if (left === 0) return
    const timer = setTimeout(() => {
      setLeft(left - 1)
      if ('vibrate' in navigator) navigator.vibrate(40)
    }, STROKE_MS)
    return () => clearTimeout(timer)
  }, [left])
  return (
    <p className="flex items-baseline gap-3 font-extrabold tabular-nums" role="timer" aria-label={`${left}`}>
      {Array.from({ length: pumps }, (_, i) => pumps - i).map((stroke) => (
        <span
          key={stroke}
          className={stroke === left ? 'text-6xl' : stroke < left ? 'text-3xl' : 'text-3xl line-through'}
        >
          {stroke}
        </span>
      ))}
    </p>
  )
}

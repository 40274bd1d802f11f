import { useEffect, useState } from 'react'
import { useAnnounce } from '~/client/heard/announce'
import { Button } from '~/ui/button'
import { goesOn } from './goes-on'
import { MainAct } from './now-panel'

/** The one line that is read from three metres away: who, and what to do now. */
export function BigLine({ who, children, cab }: { who: string; children: React.ReactNode; cab?: string }) {
  useAnnounce({ channel: 'wheel', says: typeof children === 'string' ? children : who, signal: 'turn' })
  return (
    <div className="grid gap-2">
      <p className="text-lg font-bold text-quiet">{who}</p>
      <p className="text-4xl leading-tight font-extrabold text-balance xl:text-5xl" role="status">
        {children}
      </p>
      {cab && (
        <p className="mt-1 flex items-center gap-3 border-l-8 border-oxide pl-3 text-2xl">
          <span className="text-quiet">Cab:</span> <strong className="tracking-wide">{cab}</strong>
        </p>
      )}
    </div>
  )
}

/** Wet glass taps twice: what has only just appeared under the finger cannot be meant by the same tap. */
const BOUNCE_MS = 250

/** Whether something has been shown for longer than a finger bounces. */
function useSettled(what: string): boolean {
  const [settled, setSettled] = useState<string>()
  useEffect(() => {
    const timer = setTimeout(() => setSettled(what), BOUNCE_MS)
    return () => clearTimeout(timer)
  }, [what])
  return settled === what
}

/** The one large button that goes on; Space and a foot switch press it too. */
export function GoOn({
  children,
  onClick,
  disabled,
}: {
  children: string
  onClick: () => void
  disabled?: boolean
}) {
  const settled = useSettled(children)
  return (
    <MainAct>
      <Button
        ref={goesOn}
        onClick={() => settled && onClick()}
        aria-disabled={!settled}
        disabled={disabled}
        main
        size="call"
        className="w-full"
      >
        {children}
      </Button>
    </MainAct>
  )
}

import { createContext, type ReactNode, useContext, useState } from 'react'
import { createPortal } from 'react-dom'
import { Panel } from '~/ui/panel'

const Place = createContext<HTMLElement | null>(null)

/**
 * What is to be done now. Its main act has one place, at the foot: a hand finds it from step to step, and it stays in
 * sight however much is asked above it.
 */
export function NowPanel({ children }: { children: ReactNode }) {
  const [place, setPlace] = useState<HTMLElement | null>(null)
  return (
    <Panel aria-label="Now" className="now-panel">
      <div className="grid content-start gap-5">
        <Place value={place}>{children}</Place>
      </div>
      <div ref={setPlace} className="now-act" />
    </Panel>
  )
}

/** A sheet over the panel keeps its acts to itself. */
export const OnItsOwn = ({ children }: { children: ReactNode }) => <Place value={null}>{children}</Place>

/** What goes on from here, at the foot of its panel; where it stands, on a page that has none. */
export function MainAct({ children }: { children: ReactNode }) {
  const place = useContext(Place)
  return place ? createPortal(children, place) : children
}

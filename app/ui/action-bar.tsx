import type { ReactNode } from 'react'

/** Holds what a page or a form is there for in sight, however far it reaches below the window. */
export const ActionBar = ({ children, className = '' }: { children: ReactNode; className?: string }) => (
  <div className={`action-bar ${className}`}>{children}</div>
)

import type { ReactNode } from 'react'

/** Holds a table that may be wider than a phone: it moves by itself, by finger and by keys, and the page stays. */
export const ScrollsSideways = ({ label, children }: { label: string; children: ReactNode }) => (
  <section
    aria-label={label}
    // biome-ignore lint/a11y/noNoninteractiveTabindex: without a pointer it is moved by the arrow keys
    tabIndex={0}
    className="relative min-w-0 overflow-x-auto print:overflow-visible"
  >
    {children}
  </section>
)

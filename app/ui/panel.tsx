import { type ComponentProps, useId } from 'react'
import { Link } from 'react-router'

type Props = Omit<ComponentProps<'section'>, 'title' | 'ref'> & {
  /** What it is, where it is no section of its page. */
  as?: 'section' | 'aside' | 'article' | 'details' | 'div' | 'li' | 'p' | 'ul' | 'h1' | 'form'
  /** Its heading, which names it for whoever does not see it, too. */
  title?: string
}

/** A sheet of the workshop's drawing paper: what belongs together on a page. */
export function Panel({ as: Outer = 'section', title, className = '', children, ...rest }: Props) {
  const id = useId()
  return (
    <Outer className={`panel ${className}`} aria-labelledby={title ? id : undefined} {...rest}>
      {title && <h2 id={id}>{title}</h2>}
      {children}
    </Outer>
  )
}

/** A panel that leads somewhere as a whole. */
export const PanelLink = ({ className = '', ...rest }: ComponentProps<typeof Link>) => (
  <Link className={`panel text-ink no-underline hover:bg-oxide-wash ${className}`} {...rest} />
)

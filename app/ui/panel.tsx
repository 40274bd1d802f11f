import { type ComponentProps, useId } from 'react'

type Props = Omit<ComponentProps<'section'>, 'title'> & {
  /** Its heading, which names it for whoever does not see it, too. */
  title?: string
}

/** A sheet of the workshop's drawing paper: what belongs together on a page. */
export function Panel({ title, className = '', children, ...rest }: Props) {
  const id = useId()
  return (
    <section className={`panel ${className}`} aria-labelledby={title ? id : undefined} {...rest}>
      {title && <h2 id={id}>{title}</h2>}
      {children}
    </section>
  )
}

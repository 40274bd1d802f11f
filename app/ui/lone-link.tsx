import type { ComponentProps } from 'react'
import { Link } from 'react-router'

/** A link that stands by itself, as high as a finger; one within a sentence is a plain link. */
export const LoneLink = ({ className = '', ...rest }: ComponentProps<typeof Link>) => (
  <Link className={`inline-flex min-h-11 items-center ${className}`} {...rest} />
)

/** The same for a file, or past the router. */
export const LoneFileLink = ({ className = '', children, ...rest }: ComponentProps<'a'>) => (
  <a className={`inline-flex min-h-11 items-center ${className}`} {...rest}>
    {children}
  </a>
)

import type { ComponentProps } from 'react'
import { Link } from 'react-router'

/** How high a control is: at the desk; for a finger on a tablet; for a wet glove; for what the whole call waits for. */
export type ControlSize = 'desk' | 'finger' | 'glove' | 'call'

const heights: Record<ControlSize, string> = {
  desk: '',
  finger: 'min-h-[56px]',
  glove: 'min-h-[72px]',
  call: 'min-h-[96px] text-2xl',
}

export type ButtonLook = {
  /** What the page is there for: one in sight. */
  main?: boolean
  size?: ControlSize
  /** Whether it is picked, where it can be: said, and shown by a thick foot. */
  chosen?: boolean
  /** For what went wrong. */
  alarm?: boolean
}

/** The classes of a button, for what cannot be one of the elements below. */
export const buttonClass = ({ main, size = 'desk', chosen, alarm }: ButtonLook, more?: string): string =>
  [
    'button',
    main && 'button-main',
    heights[size],
    chosen && 'button-chosen',
    alarm && 'hatched border-oxide',
    more,
  ]
    .filter(Boolean)
    .join(' ')

export function Button({
  main,
  size,
  chosen,
  alarm,
  className,
  type = 'button',
  ...rest
}: ButtonLook & ComponentProps<'button'>) {
  return (
    <button
      type={type}
      aria-pressed={chosen}
      className={buttonClass({ main, size, chosen, alarm }, className)}
      {...rest}
    />
  )
}

/** Looks like a button and leads to another page of the program. */
export function LinkButton({
  main,
  size,
  className,
  ...rest
}: Pick<ButtonLook, 'main' | 'size'> & ComponentProps<typeof Link>) {
  return <Link className={buttonClass({ main, size }, className)} {...rest} />
}

/** Looks like a button and leads to a file, or past the router. */
export function FileButton({
  main,
  size,
  className,
  children,
  ...rest
}: Pick<ButtonLook, 'main' | 'size'> & ComponentProps<'a'>) {
  return (
    <a className={buttonClass({ main, size }, className)} {...rest}>
      {children}
    </a>
  )
}

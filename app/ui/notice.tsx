import type { ComponentProps } from 'react'

/** What a notice is: said, to be minded, wrong in what was given, or standing in the way of going on. */
export type NoticeKind = 'said' | 'mind' | 'wrong' | 'stop'

const looks: Record<NoticeKind, string> = {
  said: 'border-l-8 border-ink bg-sheet',
  mind: 'border-l-8 border-oxide bg-oxide-wash',
  wrong: 'fault border-l-8 border-oxide bg-enamel',
  stop: 'hatched-edge border-4 border-oxide pl-7',
}

/**
 * A sentence or two that a page says of itself. With the role `status` or `alert` it is read out as it comes; what stands
 * there from the start needs neither.
 */
export const Notice = ({
  kind = 'said',
  className = '',
  ...rest
}: { kind?: NoticeKind } & ComponentProps<'div'>) => (
  <div className={`p-3 ${looks[kind]} ${className}`} {...rest} />
)

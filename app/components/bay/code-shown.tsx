import type { ReactNode } from 'react'
import { showTime } from '~/lib/format'
import type { PhoneLink } from '~core/cab/agree'

export type CabCode = { code: string; address: string; reachable: boolean; qr: string; until: string }

/** How the phone in the cab stands, in a word. */
export const phoneLinks: Record<PhoneLink, string> = {
  none: '○ no phone yet',
  linked: '● linked',
  late: '◐ slow',
  lost: '✗ NOT HEARD',
  dark: '✗ DARK',
}

type Props = {
  cab: CabCode
  link: PhoneLink
  /** What a phone is let into by it. */
  into?: 'job' | 'practice'
  /** What else may be done about it. */
  children?: ReactNode
}

/** A code as a picture and as signs, with where to type it. */
export function CodeShown({ cab, link, into = 'job', children }: Props) {
  return (
    <div className="grid grid-cols-[repeat(auto-fit,minmax(min(16rem,100%),1fr))] items-center gap-5">
      <img
        src={cab.qr}
        alt={`The address ${cab.address}/cab with the code`}
        className="w-full max-w-64 border-4 border-ink bg-[#fff]"
      />
      <div className="grid gap-3">
        <p className="text-lg">Point the phone’s camera at this, or open</p>
        <p className="text-2xl font-bold wrap-anywhere">{cab.address}/cab</p>
        <p className="text-lg">and type</p>
        <p className="font-mono text-6xl font-extrabold tracking-widest">{cab.code}</p>
        {!cab.reachable && (
          <p className="hatched border-2 border-oxide p-2 font-bold">
            This address is this machine’s own: a phone cannot reach it. Start the program with --lan to serve
            the shop’s network.
          </p>
        )}
        <p role="status" className="text-xl">
          {phoneLinks[link]}
        </p>
        <p className="text-quiet">
          The code works once, until {showTime(cab.until)}: for this {into} only, one phone at a time.
        </p>
        {children}
      </div>
    </div>
  )
}

import { useEffect } from 'react'
import { useBlocker } from 'react-router'
import type { JobRun } from '~/client/job/use-job-run'
import { counted } from '~/lib/format'
import { Button } from '~/ui/button'
import { Sheet } from '~/ui/sheet'

/**
 * Before a page is left that could not come back: without the server no other page can be fetched, and where this
 * browser keeps nothing, what is not sent is lost.
 */
export function LeaveGuard({ link, keeps, waiting }: Pick<JobRun, 'link' | 'keeps' | 'waiting'>) {
  const cutOff = link === 'offline'
  const loses = waiting > 0 && (cutOff || !keeps)
  useEffect(() => {
    if (!loses) return
    const ask = (event: BeforeUnloadEvent) => event.preventDefault()
    window.addEventListener('beforeunload', ask)
    return () => window.removeEventListener('beforeunload', ask)
  }, [loses])
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) => cutOff && currentLocation.pathname !== nextLocation.pathname,
  )
  // The server is back: whoever asked to go goes.
  useEffect(() => {
    if (!cutOff && blocker.state === 'blocked') blocker.proceed()
  }, [cutOff, blocker])
  if (blocker.state !== 'blocked') return null
  return (
    <Sheet title="There is no server now: that page cannot be fetched." onClose={() => blocker.reset()}>
      <p className="text-lg">
        {keeps
          ? `What you did is kept in this browser (${counted(waiting, 'act')} not sent yet). Stay here, go on working, and it is sent when the server is back.`
          : `This browser cannot keep what you did (${counted(waiting, 'act')} not sent yet): leave this page and it is lost.`}
      </p>
      <Button main size="glove" className="text-xl" onClick={() => blocker.reset()}>
        Stay here
      </Button>
      <Button size="finger" onClick={() => blocker.proceed()}>
        Leave all the same
      </Button>
    </Sheet>
  )
}

import { useState } from 'react'
import { WaitClock } from '~/components/bay/hold-clock'
import { Button } from '~/ui/button'

/** A look that takes its time: a clock for whoever holds the pedal. */
export function HoldFor({ holdS }: { holdS: number }) {
  const [startedAt, setStartedAt] = useState<string>()
  return (
    <div className="grid justify-items-start gap-3">
      <Button size="glove" className="text-xl" onClick={() => setStartedAt(new Date().toISOString())}>
        {startedAt === undefined ? `It is held: start the ${holdS} s` : 'Start again'}
      </Button>
      {startedAt !== undefined && <WaitClock startedAt={startedAt} waitS={holdS} />}
    </div>
  )
}

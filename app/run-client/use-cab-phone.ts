import { useEffect, useRef, useState } from 'react'
import { browserStream } from '~/live-client/live-stream'
import { noPhone, type Phone } from '~core/cab/agree'
import { BayStream } from './bay-stream'
import type { JobRun } from './use-job-run'

/** For the bay, while a code is out: how the phone in the cab stands. What is recorded elsewhere goes into the job. */
export function useCabPhone(jobId: string, on: boolean, { have, hear }: JobRun): Phone {
  const [phone, setPhone] = useState(noPhone)
  const job = useRef({ have, hear })
  job.current = { have, hear }
  useEffect(() => {
    if (!on) return setPhone(noPhone)
    const stream = new BayStream(
      jobId,
      { have: () => job.current.have(), hear: (place, event) => job.current.hear(place, event) },
      browserStream,
    )
    const off = stream.subscribe(() => setPhone(stream.snapshot()))
    const seen = () => (document.hidden ? stream.close() : stream.open())
    stream.begin()
    document.addEventListener('visibilitychange', seen)
    return () => {
      off()
      stream.end()
      document.removeEventListener('visibilitychange', seen)
    }
  }, [jobId, on])
  return phone
}

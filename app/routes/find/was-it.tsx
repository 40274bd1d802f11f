import { useState } from 'react'
import { useFetcher } from 'react-router'
import { useSay } from '~/lib/say'
import { Button } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { fact } from '~core/base/decision'
import type { KeptFinding } from '~core/job/events/fault-looked'

/** A search that nobody ended: what it was in the end, while somebody still knows. The next one learns from it. */
export function WasIt({
  jobId,
  finding,
  causes,
}: {
  jobId: string
  finding: KeptFinding
  causes: readonly string[]
}) {
  const say = useSay()
  const fetcher = useFetcher<{ refusal?: string }>()
  const [was, setWas] = useState('')
  return (
    <Panel className="mx-auto grid w-full max-w-4xl gap-3">
      <h2>{say(fact(`complaint-${finding.complaint}`))}: what was it in the end?</h2>
      <div className="flex flex-wrap gap-3">
        <select
          aria-label="What it was"
          className="input max-w-md"
          value={was}
          onChange={(event) => setWas(event.target.value)}
        >
          <option value="">Nobody found out</option>
          {causes.map((id) => (
            <option key={id} value={id}>
              {say(fact(`cause-${id}`))}
            </option>
          ))}
        </select>
        <Button
          disabled={was === '' || fetcher.state !== 'idle'}
          onClick={() =>
            fetcher.submit(
              { ...finding, was },
              { method: 'post', action: `/jobs/${jobId}/find`, encType: 'application/json' },
            )
          }
        >
          That was it
        </Button>
      </div>
      {fetcher.data?.refusal && (
        <p role="alert" className="fault">
          {fetcher.data.refusal}
        </p>
      )}
    </Panel>
  )
}

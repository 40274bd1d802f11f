import { useState } from 'react'
import type { FloorAct } from '~/client/job/use-job-run'
import { toAddress } from '~/lib/fault-address'
import { Button, LinkButton } from '~/ui/button'
import { type ProofCheck, shownByProofs } from '~core/job/proofs/checks'
import type { JobState } from '~core/job/state'

/** Where what failed leads: set right here, mended under its name, bled again, or the fault looked for. */
export function WaysOn({
  jobId,
  state,
  failed,
  act,
}: {
  jobId: string
  state: JobState
  failed: readonly ProofCheck[]
  act: (act: FloorAct) => void
}) {
  const complaint = failed.find((check) => check.complaint)?.complaint
  const ways = new Set(failed.map(({ way }) => way))
  return (
    <>
      {ways.has('set-right') && <p>Set it right where it stands, then check it again.</p>}
      {ways.has('mend-joint') && (
        <p>
          A wet joint: say which under <strong>Something went wrong</strong>. It is mended, and what lies
          beyond it is bled again.
        </p>
      )}
      {ways.has('find-fault') && (
        <p>
          Do not just repeat: look for the cause named beside it, cheapest first. Park the job while you look;
          what you mend is bled again.
        </p>
      )}
      {complaint && (
        <LinkButton
          to={`/jobs/${jobId}/find?${toAddress({ complaint, found: shownByProofs(state), tried: [] })}&seen=${state.faultFinding?.answers ?? 0}`}
        >
          Find the fault
        </LinkButton>
      )}
      <BleedAgain onWhy={(why) => act({ type: 'bleed-again', why })} />
    </>
  )
}

function BleedAgain({ onWhy }: { onWhy: (why: string) => void }) {
  const [why, setWhy] = useState('')
  return (
    <form
      className="grid gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        if (why.trim()) onWhy(why.trim())
      }}
    >
      <label className="grid gap-1">
        <span className="field-label">Bleed again, because</span>
        <input className="input" value={why} onChange={(event) => setWhy(event.target.value)} required />
      </label>
      <Button type="submit">Bleed again from the first bleeder</Button>
    </form>
  )
}

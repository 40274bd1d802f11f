import { useState } from 'react'
import { upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import type { FloorAct } from '~/run-client/use-job-run'
import { fact } from '~core/base/decision'
import { offFact, offKinds, stillOff, waitsFor } from '~core/job/off-things'
import { proofFact } from '~core/job/proofs/checks'
import type { JobState } from '~core/job/state'
import { BayDialog } from './bay-dialog'

type Props = { state: JobState; act: (act: FloorAct) => void }

/** The list behind a button that says how much of it is still off. */
export function OffDialog(props: Props) {
  const off = stillOff(props.state).length
  return (
    <BayDialog trigger={off === 0 ? 'Off and on' : `Off and on: ${off} still off`} title="What came off" wide>
      {() => <OffList {...props} />}
    </BayDialog>
  )
}

/** What came off on the way in, and goes back in the other order; nothing of it is kept in a head. */
function OffList({ state, act }: Props) {
  const say = useSay()
  const [where, setWhere] = useState('')
  const off = stillOff(state)
  return (
    <div className="grid gap-4">
      <label className="grid gap-1">
        <span className="field-label">Where it belongs</span>
        <input
          className="input min-h-[56px]"
          value={where}
          maxLength={120}
          onChange={(event) => setWhere(event.target.value)}
        />
      </label>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        {offKinds.map((thing) => (
          <button
            key={thing}
            type="button"
            className="button min-h-[56px]"
            onClick={() => {
              act({ type: 'taken-off', thing, where: where.trim() })
              setWhere('')
            }}
          >
            {upperFirst(say(fact(`off-${thing}`)))} off
          </button>
        ))}
      </div>
      <h3 className="text-lg font-bold">
        {off.length === 0 ? 'Nothing is off.' : 'Goes back in this order'}
      </h3>
      <ol className="grid gap-2">
        {off.map((each) => {
          const proof = waitsFor(each, state)
          return (
            <li
              key={each.id}
              className="flex flex-wrap items-center justify-between gap-3 border-2 border-rule bg-enamel p-2"
            >
              <span className="wrap-anywhere">
                <strong>{upperFirst(say(offFact(each)))}</strong>
                {proof !== undefined && (
                  <span className="block text-quiet">waits until proved: {say(proofFact(proof))}</span>
                )}
              </span>
              <button
                type="button"
                disabled={proof !== undefined}
                className="button min-h-[56px]"
                aria-label={`${upperFirst(say(offFact(each)))}: back on`}
                onClick={() => act({ type: 'put-back', off: each.id })}
              >
                Back on
              </button>
            </li>
          )
        })}
      </ol>
    </div>
  )
}

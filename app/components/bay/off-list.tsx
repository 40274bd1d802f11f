import { useState } from 'react'
import type { FloorAct } from '~/client/job/use-job-run'
import { upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import { Button } from '~/ui/button'
import { DateInput } from '~/ui/date-input'
import { fact } from '~core/base/decision'
import { awaySchema, offFact, offKinds, opensHydraulics, stillOff, waitsFor } from '~core/job/off-things'
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
        {offKinds
          .filter((thing) => !opensHydraulics(thing))
          .map((thing) => (
            <Button
              key={thing}
              size="finger"
              onClick={() => {
                act({ type: 'taken-off', thing, where: where.trim() })
                setWhere('')
              }}
            >
              {upperFirst(say(fact(`off-${thing}`)))} off
            </Button>
          ))}
      </div>
      <PartOff act={act} />
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
              <Button
                disabled={proof !== undefined}
                size="finger"
                aria-label={`${upperFirst(say(offFact(each)))}: back on`}
                onClick={() => act({ type: 'put-back', off: each.id })}
              >
                Back on
              </Button>
            </li>
          )
        })}
      </ol>
    </div>
  )
}

/** A part that leaves the hydraulics open: its ports are capped, and it may leave the shop for a while. */
function PartOff({ act }: Pick<Props, 'act'>) {
  const say = useSay()
  const [fault, setFault] = useState<string>()
  const [shown, setShown] = useState(false)
  function submit(event: React.FormEvent<HTMLFormElement>) {
    event.preventDefault()
    const said = new FormData(event.currentTarget)
    const text = (name: string) => String(said.get(name) ?? '').trim()
    const away = awaySchema.safeParse({
      to: text('to'),
      ...(text('backOn') !== '' && { backOn: text('backOn') }),
    })
    const goesAway = text('to') !== '' || text('backOn') !== ''
    const wrong = goesAway && !away.success ? away.error.issues[0]?.message : undefined
    const capped = said.get('capped') === 'on'
    const why = wrong ?? (capped ? undefined : 'cap every port that it leaves open, and say so')
    setFault(why)
    if (why !== undefined) return
    act({
      type: 'taken-off',
      thing: text('part'),
      where: text('partWhere'),
      capped: true,
      ...(goesAway && away.success && { away: away.data }),
    })
    event.currentTarget.reset()
    // What is off stands below: it is looked at next.
    setShown(false)
  }
  return (
    <details open={shown} onToggle={({ currentTarget }) => setShown(currentTarget.open)}>
      <summary className="font-bold">A part that leaves the hydraulics open, here or away for repair</summary>
      <form onSubmit={submit} className="grid gap-3" noValidate>
        <div className="grid gap-3 sm:grid-cols-2">
          <label className="grid gap-1">
            <span className="field-label">Which part</span>
            <select name="part" className="input min-h-[56px]">
              {offKinds.filter(opensHydraulics).map((thing) => (
                <option key={thing} value={thing}>
                  {upperFirst(say(fact(`off-${thing}`)))}
                </option>
              ))}
            </select>
          </label>
          <label className="grid gap-1">
            <span className="field-label">Where it sat</span>
            <input name="partWhere" className="input min-h-[56px]" maxLength={120} autoComplete="off" />
          </label>
          <label className="grid gap-1">
            <span className="field-label">Sent to (empty: it stays here)</span>
            <input name="to" className="input min-h-[56px]" maxLength={200} autoComplete="off" />
          </label>
          <label className="grid gap-1">
            <span className="field-label">Expected back on</span>
            <DateInput name="backOn" className="min-h-[56px]" />
          </label>
        </div>
        <label className="choice min-h-[72px]">
          <input type="checkbox" name="capped" />
          Every port that it leaves open is capped
        </label>
        {fault !== undefined && (
          <p role="alert" className="fault">
            Not yet: {fault}.
          </p>
        )}
        <Button type="submit" size="finger">
          It is off
        </Button>
      </form>
    </details>
  )
}

import { useEffect, useState } from 'react'
import type { FloorAct } from '~/client/job/job-client'
import type { useHelperRoom } from '~/client/job/use-helper-room'
import { CodeShown, phoneLinks } from '~/components/bay/code-shown'
import { CabPicture } from '~/routes/cab/picture'
import { Button } from '~/ui/button'
import { Panel } from '~/ui/panel'
import type { CabView } from '~core/cab/view'
import { cabLanguages } from '~core/words/cab'
import { confirmIn, meaningIn } from '~core/words/cab/language'

/** A helper who plays along takes this long, as one would who listens. */
const HELPER_MS = 1600

/** The helper's phone beside the bay, for practice: played along with, or tapped by whoever learns that part. */
export function PracticeCab({
  view,
  act,
  helper,
}: {
  view: CabView
  act: (act: FloorAct) => void
  helper: ReturnType<typeof useHelperRoom>
}) {
  const [wanted, setPlaysAlong] = useState(true)
  const isLinked = helper.phone.link !== 'none'
  const playsAlong = wanted && !isLinked
  const { confirm, maySlip, seen } = view
  const words = cabLanguages.en
  useEffect(() => {
    // Who plays along presses until the wheel has closed it.
    if (!playsAlong || !confirm || !seen || confirm === 'near-bottom') return
    const timer = setTimeout(() => act({ type: 'call', act: confirm, seen }), HELPER_MS)
    return () => clearTimeout(timer)
  }, [act, confirm, playsAlong, seen])
  return (
    <Panel title="The helper’s phone" className="grid gap-3">
      <div
        className={`grid justify-items-center gap-1 border-4 p-3 text-center ${view.says === 'hold' || view.says === 'press' ? 'border-oxide bg-oxide text-on-oxide' : 'border-ink bg-enamel'}`}
      >
        <CabPicture says={view.says} pedal={view.pedal} namesPedal={view.namesPedal} task={view.task} />
        <p className="text-5xl font-extrabold" role="status">
          {words.says[view.says]}
        </p>
        <p>{meaningIn(words, view)}</p>
      </div>
      <div className="grid grid-cols-2 gap-2">
        {seen && confirm && (
          <Button size="glove" onClick={() => act({ type: 'call', act: confirm, seen })}>
            {confirmIn(words, confirm, view.pumps)}
          </Button>
        )}
        {seen && maySlip && (
          <Button size="glove" alarm onClick={() => act({ type: 'call', act: 'foot-slipped', seen })}>
            ✗ {words.confirms['foot-slipped']}
          </Button>
        )}
      </div>
      {!isLinked && (
        <label className="choice min-h-[56px]">
          <input type="checkbox" checked={wanted} onChange={(event) => setPlaysAlong(event.target.checked)} />
          A made-up helper plays along
        </label>
      )}
      {helper.fault && (
        <p role="alert" className="fault">
          {helper.fault}
        </p>
      )}
      {helper.room ? (
        <>
          {isLinked ? (
            <p role="status" className="text-xl font-bold">
              A helper’s phone: {phoneLinks[helper.phone.link]}
            </p>
          ) : (
            <CodeShown cab={helper.room.cab} link={helper.phone.link} into="practice" />
          )}
          <Button size="glove" onClick={helper.close}>
            Let go of the phone
          </Button>
        </>
      ) : (
        <Button size="glove" onClick={() => void helper.open()}>
          A helper at another screen
        </Button>
      )}
    </Panel>
  )
}

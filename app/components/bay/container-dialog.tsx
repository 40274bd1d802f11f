import { useState } from 'react'
import type { FloorAct } from '~/client/job/use-job-run'
import { showDate } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { Button } from '~/ui/button'
import { fluidIn, mayGoIn } from '~core/job/selectors'
import type { JobState } from '~core/job/state'
import { readCode } from '~core/stock/code'
import type { ShelfContainer } from '~core/stock/container'
import { mayNotPour } from '~core/stock/may-pour'
import type { OpenedRuleId } from '~core/stock/opened-rule'
import { openFirst } from '~core/stock/reserve'
import { BayDialog } from './bay-dialog'
import { LabelForm } from './label-form'

/** The shelf as it was when the page came: enough to choose from without the server. */
export type Shelf = { containers: ShelfContainer[]; rule: OpenedRuleId; today: string }
type Props = { state: JobState; act: (act: FloorAct) => void; shelf: Shelf }

/** What the plan pours and may be poured now, what to use up first at the top; what else is allowed is taken by its code. */
export function offered({ state, shelf }: Omit<Props, 'act'>): ShelfContainer[] {
  const inUse = codeInUse(state)
  const pouring = pouringOf(state, shelf)
  return openFirst(shelf.containers).filter(
    (each) => each.code !== inUse && each.spec === pouring.spec && mayNotPour(each, pouring) === undefined,
  )
}

export const codeInUse = ({ containers }: JobState): string | undefined => containers.at(-1)?.code

const pouringOf = (state: JobState, { rule, today }: Shelf) => ({
  spec: fluidIn(state),
  alsoAllowed: mayGoIn(state),
  rule,
  today,
  openedHere: state.containers.flatMap(({ code }) => code ?? []),
})

export const openedAct = ({ code, product, spec, batch, sizeMl, openedOn }: ShelfContainer): FloorAct => ({
  type: 'container-opened',
  container: { code, product, spec, batch, sizeMl, ...(openedOn !== undefined && { openedOn }) },
})

/** The container is empty and another is opened: from the shelf by its code, else by what its label says. */
export function ContainerDialog({ state, act, shelf }: Props) {
  const planned = fluidIn(state)
  const say = useSay()
  const [fault, setFault] = useState<string>()
  const show = useShow()
  const list = offered({ state, shelf })
  function byCode(event: React.FormEvent<HTMLFormElement>, close: () => void) {
    event.preventDefault()
    const typed = String(new FormData(event.currentTarget).get('code'))
    const code = readCode(typed)
    const found = shelf.containers.find((each) => each.code === code)
    const why = found && mayNotPour(found, pouringOf(state, shelf))
    const refused = found
      ? why && say(why)
      : code
        ? `There is no ${code} on the shelf: read its label again.`
        : 'That is no code of a label here: eight signs, the first an F. Read it again.'
    setFault(refused)
    if (!found || refused) return
    close()
    act(openedAct(found))
  }
  return (
    <BayDialog
      trigger="Another container"
      title="Which container?"
      caution={`${planned} goes in here. Read the label aloud; never mix kinds.`}
    >
      {(close) => (
        <div className="grid gap-4">
          {list.length > 0 && (
            <ul className="grid gap-2">
              {list.slice(0, 4).map((each, i) => (
                <li key={each.code}>
                  <Button
                    size="glove"
                    className={`w-full justify-between text-left ${i === 0 ? 'border-oxide' : ''}`}
                    onClick={() => {
                      close()
                      act(openedAct(each))
                    }}
                  >
                    <span>
                      <span className="block text-lg">{each.product}</span>
                      <span className="font-normal">
                        {each.spec}, batch {each.batch || '?'},{' '}
                        {each.openedOn ? `opened ${showDate(each.openedOn)}` : 'sealed'}
                      </span>
                    </span>
                    <span className="text-right">
                      {show('volume', each.leftMl)}
                      <span className="block font-mono font-normal">{each.code}</span>
                    </span>
                  </Button>
                </li>
              ))}
            </ul>
          )}
          <form
            onSubmit={(event) => byCode(event, close)}
            className="grid grid-cols-[1fr_auto] items-end gap-2"
          >
            <label className="grid gap-1">
              <span className="field-label">Code of its label, typed or scanned</span>
              <input
                name="code"
                className="input min-h-[56px] font-mono uppercase"
                autoComplete="off"
                maxLength={40}
              />
            </label>
            <Button type="submit" size="finger">
              Take it
            </Button>
            {fault && (
              <p role="alert" className="fault col-span-2">
                {fault}
              </p>
            )}
          </form>
          <details open={list.length === 0}>
            <summary className="min-h-[56px] font-bold">
              It has no label of ours: what does its own say?
            </summary>
            <LabelForm planned={planned} onSaid={act} close={close} />
          </details>
        </div>
      )}
    </BayDialog>
  )
}

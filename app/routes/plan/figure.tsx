import { Popover } from 'radix-ui'
import { createContext, useContext, useMemo, useRef, useState } from 'react'
import { basisNames } from '~/components/reasons'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { buttonClass } from '~/ui/button'
import type { Plan } from '~core/plan/answer'
import { explainFigure, type FigureId } from '~core/plan/explain'
import type { PlanRequest } from '~core/plan/request'

/** What figures were worked out from. */
type Source = { request: PlanRequest; plan: Plan }
type Asked = { id: FigureId; button: HTMLButtonElement }

const FiguresContext = createContext<
  { asked: Asked | undefined; ask: (asked: Asked | undefined) => void } | undefined
>(undefined)

/**
 * Figures of a page that open to how they came about. A plan has a dozen and a half of them and one is looked at at a
 * time, so they share what opens.
 *
 * @param source what they were worked out from
 */
export function FiguresOf({ source, children }: { source: Source; children: React.ReactNode }) {
  const [asked, ask] = useState<Asked>()
  const anchor = useMemo(() => ({ current: asked?.button ?? null }), [asked])
  return (
    <FiguresContext value={useMemo(() => ({ asked, ask }), [asked])}>
      {children}
      {asked && (
        <Popover.Root open onOpenChange={(open) => !open && ask(undefined)}>
          <Popover.Anchor virtualRef={anchor} />
          <Popover.Portal>
            <Popover.Content
              id={OPENED}
              aria-label="How this figure came about"
              sideOffset={6}
              collisionPadding={12}
              className="z-30 w-96 max-w-[calc(100vw-2rem)] border-2 border-ink bg-enamel p-4 shadow-[6px_6px_0_var(--rule)]"
              // Whoever went on elsewhere stays there.
              onCloseAutoFocus={() => document.activeElement === document.body && asked.button.focus()}
              // The figure itself shuts what it opened.
              onInteractOutside={(event) =>
                asked.button.contains(event.target as Node) && event.preventDefault()
              }
            >
              <Opened id={asked.id} {...source} />
              <Popover.Close className={buttonClass({}, 'mt-3 w-full')}>Close</Popover.Close>
            </Popover.Content>
          </Popover.Portal>
        </Popover.Root>
      )}
    </FiguresContext>
  )
}

const OPENED = 'opened-figure'

/** A figure that opens to its formula, what went into it, and what it rests on. */
export function Figure({ id, children }: { id: FigureId; children: React.ReactNode }) {
  const figures = useContext(FiguresContext)
  const button = useRef<HTMLButtonElement>(null)
  if (!figures) return children
  const { asked, ask } = figures
  const open = asked !== undefined && asked.button === button.current
  return (
    <button
      ref={button}
      type="button"
      aria-haspopup="dialog"
      aria-expanded={open}
      aria-controls={open ? OPENED : undefined}
      onClick={({ currentTarget }) => ask(open ? undefined : { id, button: currentTarget })}
      className="-m-2.5 min-h-11 min-w-11 cursor-pointer p-2.5 text-left underline decoration-dotted decoration-from-font underline-offset-4 hover:decoration-solid"
    >
      {children}
    </button>
  )
}

function Opened({ id, request, plan }: Source & { id: FigureId }) {
  const show = useShow()
  const say = useSay()
  const { title, formula, inputs, basis, source } = explainFigure(id, request, plan)
  return (
    <>
      <h3 className="text-lg">{say(title)}</h3>
      <p className="my-2 border-l-4 border-ink pl-3">{say(formula)}</p>
      <dl className="grid grid-cols-[1fr_auto] gap-x-4">
        {inputs.map((input) => (
          <div key={say(input.name)} className="col-span-2 grid grid-cols-subgrid border-b border-rule py-1">
            <dt className="text-quiet">{say(input.name)}</dt>
            <dd className="text-right font-semibold">
              {'is' in input ? say(input.is) : show(input.quantity, input.value)}
            </dd>
          </div>
        ))}
      </dl>
      <p className="mt-2 text-sm">
        <em>{basisNames[basis]}.</em> {say(source)}
      </p>
    </>
  )
}

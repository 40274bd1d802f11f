import { Popover } from 'radix-ui'
import { createContext, useContext, useRef, useState } from 'react'
import { basisNames } from '~/components/reasons'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { buttonClass } from '~/ui/button'
import type { Plan } from '~core/plan/answer'
import { explainFigure, type FigureId } from '~core/plan/explain'
import type { PlanRequest } from '~core/plan/request'

type Source = { request: PlanRequest; plan: Plan }

/** What the figures of a page were worked out from. */
export const FigureSource = createContext<Source | undefined>(undefined)

/**
 * A figure that opens to its formula, what went into it, and what it rests on. A plan has a dozen and a half of them: one
 * that is shut is a button and nothing else.
 */
export function Figure({ id, children }: { id: FigureId; children: React.ReactNode }) {
  const source = useContext(FigureSource)
  const [open, setOpen] = useState(false)
  const button = useRef<HTMLButtonElement>(null)
  if (!source) return children
  return (
    <>
      <button
        ref={button}
        type="button"
        aria-haspopup="dialog"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        className="-m-2.5 min-h-11 min-w-11 cursor-pointer p-2.5 text-left underline decoration-dotted decoration-from-font underline-offset-4 hover:decoration-solid"
      >
        {children}
      </button>
      {open && (
        <Popover.Root open onOpenChange={setOpen}>
          <Popover.Anchor virtualRef={button} />
          <Popover.Portal>
            <Popover.Content
              aria-label="How this figure came about"
              sideOffset={6}
              collisionPadding={12}
              className="z-30 w-96 max-w-[calc(100vw-2rem)] border-2 border-ink bg-enamel p-4 shadow-[6px_6px_0_var(--rule)]"
              // Whoever went on elsewhere stays there.
              onCloseAutoFocus={() => document.activeElement === document.body && button.current?.focus()}
              // The figure itself shuts what it opened.
              onInteractOutside={(event) =>
                button.current?.contains(event.target as Node) && event.preventDefault()
              }
            >
              <Opened id={id} {...source} />
              <Popover.Close className={buttonClass({}, 'mt-3 w-full')}>Close</Popover.Close>
            </Popover.Content>
          </Popover.Portal>
        </Popover.Root>
      )}
    </>
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

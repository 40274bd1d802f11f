import { Popover } from 'radix-ui'
import { createContext, useContext } from 'react'
import { basisNames } from '~/components/reasons'
import { useSay } from '~/lib/say'
import { useShow } from '~/lib/units'
import { buttonClass } from '~/ui/button'
import type { Plan } from '~core/plan/answer'
import { explainFigure, type FigureId } from '~core/plan/explain'
import type { PlanRequest } from '~core/plan/request'

/** What the figures of a page were worked out from. */
export const FigureSource = createContext<{ request: PlanRequest; plan: Plan } | undefined>(undefined)

/** A figure that opens to its formula, what went into it, and what it rests on. */
export function Figure({ id, children }: { id: FigureId; children: React.ReactNode }) {
  const source = useContext(FigureSource)
  if (!source) return children
  return (
    <Popover.Root>
      <Popover.Trigger className="-m-2.5 min-h-11 min-w-11 cursor-pointer p-2.5 text-left underline decoration-dotted decoration-from-font underline-offset-4 hover:decoration-solid">
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label="How this figure came about"
          sideOffset={6}
          collisionPadding={12}
          className="z-30 w-96 max-w-[calc(100vw-2rem)] border-2 border-ink bg-enamel p-4 shadow-[6px_6px_0_var(--rule)]"
        >
          <Opened id={id} {...source} />
          <Popover.Close className={buttonClass({}, 'mt-3 w-full')}>Close</Popover.Close>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

function Opened({ id, request, plan }: { id: FigureId; request: PlanRequest; plan: Plan }) {
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

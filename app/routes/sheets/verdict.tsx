import type { ReactNode } from 'react'
import { Reasons } from '~/components/reasons'
import { useSay } from '~/lib/say'
import { Panel } from '~/ui/panel'
import { fact } from '~core/base/decision'
import type { Verdict as Decided } from '~core/repair-sheets/sheet'

/** What a sheet comes to, large; then why, in figures, what is bought for it, and what is still to be done. */
export function Verdict({ verdict, children }: { verdict?: Decided; children?: ReactNode }) {
  const say = useSay()
  if (!verdict)
    return (
      <Panel className="grid gap-2" aria-live="polite">
        <h2>No decision yet</h2>
        <p>Fill in what is missing. The first thing that condemns it is enough.</p>
        {children}
      </Panel>
    )
  const { value, reasons, figures, buy, still } = verdict
  return (
    <Panel className="grid gap-4" aria-live="polite">
      <h2 className="text-3xl leading-snug">{say(fact(`verdict-${value}`))}</h2>
      <Reasons reasons={reasons} />
      {figures.length > 0 && (
        <ul className="grid gap-1">
          {figures.map((each) => (
            <li key={JSON.stringify(each)} className="border-l-4 border-ink pl-3 tabular-nums">
              {say(each)}
            </li>
          ))}
        </ul>
      )}
      {buy.length > 0 && (
        <div>
          <h3 className="text-lg font-bold">To buy before it is begun</h3>
          <ul>
            {buy.map((each) => (
              <li key={each.code}>
                {each.count} × {say(each)}
              </li>
            ))}
          </ul>
        </div>
      )}
      {still.length > 0 && (
        <div>
          <h3 className="text-lg font-bold">Still to be done</h3>
          <ul className="grid gap-1">
            {still.map((each) => (
              <li key={each.code} className="border-l-8 border-oxide pl-3 font-semibold">
                {say(each)}
              </li>
            ))}
          </ul>
        </div>
      )}
      {children}
    </Panel>
  )
}

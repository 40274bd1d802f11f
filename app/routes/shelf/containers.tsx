import { Form } from 'react-router'
import { unitFieldOf } from '~/lib/fields'
import { showDate } from '~/lib/format'
import { useShow } from '~/lib/units'
import { Button, LinkButton } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { freeMl } from '~core/stock/container'
import { quantities } from '~core/units/units'
import type { OnShelf } from '~server/store/shelf.server'
import { Can } from './can'

export type Shown = OnShelf & { past?: string; first: boolean }

/** What stands on the shelf, by kind, with what is left in each and which to open first. */
export function Containers({ list, money }: { list: readonly Shown[]; money: string }) {
  const specs = [...new Set(list.map(({ spec }) => spec))]
  if (list.length === 0)
    return (
      <Panel>
        <h2>The shelf is empty</h2>
        <p>
          Write down what came, and print its labels: plans then say what to open, and records which batch
          went in.
        </p>
      </Panel>
    )
  return specs.map((spec) => (
    <Panel key={spec} aria-label={spec}>
      <h2>{spec === 'mineral' ? 'Mineral oil' : spec}</h2>
      <ul className="grid gap-3 sm:grid-cols-2">
        {list
          .filter((each) => each.spec === spec)
          .map((container) => (
            <li key={container.code}>
              <Container container={container} money={money} />
            </li>
          ))}
      </ul>
    </Panel>
  ))
}

function Container({ container, money }: { container: Shown; money: string }) {
  const show = useShow()
  const { code, product, batch, sizeMl, leftMl, openedOn, reservedMl, price, past, first } = container
  return (
    <article
      className={`grid h-full grid-cols-[auto_1fr] gap-3 border-2 bg-enamel p-3 ${first ? 'border-oxide' : 'border-rule'}`}
    >
      <Can
        share={leftMl / sizeMl}
        opened={openedOn !== undefined}
        past={past !== undefined}
        label={`${show('volume', leftMl)} of ${show('volume', sizeMl)}`}
      />
      <div>
        <p className="text-lg font-bold wrap-anywhere">
          {product} {first && <span className="bg-oxide px-2 text-base text-on-oxide">use first</span>}
        </p>
        <p>
          <strong>{show('volume', leftMl)}</strong> of {show('volume', sizeMl)}
          {reservedMl > 0 &&
            `, ${show('volume', reservedMl)} held back for plans, ${show('volume', freeMl(container))} free`}
        </p>
        <p>
          {openedOn === undefined ? 'sealed' : `opened ${showDate(openedOn)}`}, batch {batch || 'not said'}
          {price !== undefined && `, ${price.toFixed(2)} ${money}`}
        </p>
        <p className="font-mono">{code}</p>
        {past && <p className="fault">{past}</p>}
        <details className="mt-1">
          <summary className="font-semibold">Label, amount, throw away</summary>
          <div className="grid gap-2">
            <LinkButton to={`/shelf/labels?code=${code}`} reloadDocument>
              Its label
            </LinkButton>
            <Form method="post" className="grid grid-cols-[1fr_auto] items-end gap-2">
              <input type="hidden" name="code" value={code} />
              <label>
                <span className="field-label">Really left, {show.unit('volume')}</span>
                <input name="leftMl" inputMode="decimal" className="input" autoComplete="off" />
              </label>
              {show.unit('volume') !== quantities.volume.metric && (
                <input type="hidden" name={unitFieldOf('leftMl')} value={show.unit('volume')} />
              )}
              <Button type="submit" name="intent" value="correct">
                Correct it
              </Button>
            </Form>
            <Form method="post">
              <input type="hidden" name="code" value={code} />
              <Button type="submit" name="intent" value="throw-away">
                Throw it away
              </Button>
            </Form>
          </div>
        </details>
      </div>
    </article>
  )
}

import { showDate } from '~/lib/format'
import { useShow } from '~/lib/units'
import { Button, LinkButton } from '~/ui/button'
import { readCode } from '~core/stock/code'
import { openedRuleFact } from '~core/stock/opened-rule'
import { sayMetric } from '~core/words'
import { database } from '~server/http/context.server'
import { findContainer, shelfSettings } from '~server/store/shelf.server'
import type { Route } from './+types/labels'
import { barcodeSvg } from './barcode.server'

/** So many fit on a sheet that anybody prints at once. */
const MOST = 60

export async function loader({ request, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const codes = new URL(request.url).searchParams.getAll('code').flatMap((each) => readCode(each) ?? [])
  const labels = []
  for (const code of codes.slice(0, MOST)) {
    const found = await findContainer(db, code)
    if (found)
      labels.push({ ...found, barcode: `data:image/svg+xml,${encodeURIComponent(barcodeSvg(code))}` })
  }
  return { labels, rule: sayMetric(openedRuleFact((await shelfSettings(db)).rule)) }
}

/** Labels to print, cut out and stick on: the kind largest, since that is what must not be mixed up. */
export default function Labels({ loaderData: { labels, rule } }: Route.ComponentProps) {
  const show = useShow()
  return (
    <main className="mx-auto max-w-[60rem] p-5 print:max-w-none print:p-0">
      <title>Labels · Ruddy Siphon</title>
      <div className="mb-4 flex items-center gap-3 print:hidden">
        <h1 className="text-2xl">Labels</h1>
        <Button className="ml-auto" onClick={() => window.print()}>
          Print
        </Button>
        <LinkButton to="/shelf">The shelf</LinkButton>
      </div>
      {labels.length === 0 && <p>No such container is on the shelf.</p>}
      <ul className="grid grid-cols-2 gap-4 print:gap-[4mm]">
        {labels.map(({ code, product, spec, batch, sizeMl, openedOn, barcode }) => (
          <li
            key={code}
            className="grid break-inside-avoid gap-1 border-4 border-ink bg-[#fff] p-3 text-[#000]"
          >
            <p className="text-4xl font-extrabold">{spec === 'mineral' ? 'Mineral oil' : spec}</p>
            <p className="text-lg font-semibold wrap-anywhere">
              {product}, {show('volume', sizeMl)}
            </p>
            <p>Batch {batch || '____________'}</p>
            <p>Opened {openedOn ? showDate(openedOn) : '____________'}</p>
            <img src={barcode} alt={`Barcode of ${code}`} className="h-16 w-full object-fill" />
            <p className="text-center font-mono text-lg tracking-widest">{code}</p>
            <p className="text-sm">{rule}. Never mix kinds.</p>
          </li>
        ))}
      </ul>
    </main>
  )
}

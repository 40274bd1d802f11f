import { Link } from 'react-router'
import { DeclineLine } from '~/components/decline-line'
import { useSay } from '~/lib/say'
import { money } from '~/routes/find/figures'
import { Panel } from '~/ui/panel'
import { fact } from '~core/base/decision'
import { sheetKey } from '~core/job/events/sheet-filled'
import { repairSheets } from '~core/repair-sheets'
import { database } from '~server/http/context.server'
import { jobOnPage } from '~server/http/job-on-page.server'
import { sheetPrices } from '~server/store/settings.server'
import type { Route } from './+types/job-sheets'

export async function loader({ params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const { vehicle, plate, sheets = {}, declinedLines = [], filed } = await jobOnPage(context, params.jobId)
  return {
    plate,
    sheets,
    declined: declinedLines,
    prices: await sheetPrices(db),
    locked: filed !== undefined,
    kinds: repairSheets.map((sheet) => ({ id: sheet.id, places: sheet.places(vehicle) })),
  }
}

/** Every part of the vehicle that has a sheet, what was decided of it, and what has to be bought for all of them. */
export default function JobSheetsPage({ loaderData, params }: Route.ComponentProps) {
  const { plate, sheets, declined, prices, locked, kinds } = loaderData
  const say = useSay()
  const toBuy = Object.entries(sheets).flatMap(([key, { place, verdict }]) =>
    (verdict?.buy ?? []).map((each) => ({ ...each, line: `sheet ${key} ${each.code}`, place })),
  )
  const declinedAs = (line: string) => declined.find((each) => each.line === line)
  const sum = toBuy.reduce(
    (total, { key, count, line }) => total + (declinedAs(line) ? 0 : count * (prices.parts[key ?? ''] ?? 0)),
    0,
  )
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <title>{`${plate}: Sheets · Ruddy Siphon`}</title>
      <div className="grid gap-5">
        <h1 className="text-2xl">Keep, rebuild or renew: which part is in hand?</h1>
        {kinds
          .filter(({ places }) => places.length > 0)
          .map(({ id, places }) => (
            <Panel key={id} className="grid gap-3" aria-label={say(fact(`sheet-name-${id}`))}>
              <h2>{say(fact(`sheet-name-${id}`))}</h2>
              <ul className="grid gap-3 sm:grid-cols-2">
                {places.map((place) => {
                  const kept = sheets[sheetKey({ sheet: id, place: place.id })]
                  return (
                    <li key={place.id} className="contents">
                      <Link
                        to={`/jobs/${params.jobId}/sheets/${id}/${encodeURIComponent(place.id)}`}
                        className="flex min-h-[72px] items-center justify-between gap-3 border-2 border-ink bg-enamel px-4 py-2 text-ink no-underline hover:bg-oxide-wash"
                      >
                        <span className="font-bold first-letter:uppercase wrap-anywhere">
                          {say(place.name)}
                        </span>
                        {kept && (
                          <span className="text-right">
                            {kept.verdict ? say(fact(`verdict-${kept.verdict.value}`)) : 'begun'}
                          </span>
                        )}
                      </Link>
                    </li>
                  )
                })}
              </ul>
            </Panel>
          ))}
      </div>
      <Panel className="grid gap-3 lg:sticky lg:top-4">
        <h2>To buy</h2>
        {toBuy.length === 0 && (
          <p>Nothing yet. What a sheet decides is gathered here, before anybody drives for parts.</p>
        )}
        <ul className="grid gap-2">
          {toBuy.map(({ key, count, line, place, ...says }) => (
            <li
              key={line}
              className="flex min-h-12 flex-wrap items-center justify-between gap-x-3 border-b border-rule pb-1"
            >
              <span className={`flex-1 ${declinedAs(line) ? 'line-through' : ''}`}>
                {count} × {say(says)} <span className="text-quiet">({place})</span>
              </span>
              {key && (
                <>
                  <span className="tabular-nums">{money(count * (prices.parts[key] ?? 0))}</span>
                  <DeclineLine
                    jobId={params.jobId}
                    line={line}
                    says={says}
                    declined={declinedAs(line)}
                    locked={locked}
                  />
                </>
              )}
            </li>
          ))}
        </ul>
        {sum > 0 && (
          <p className="flex justify-between text-xl font-bold">
            <span>Parts together, by this shop’s or usual prices</span>
            <span className="tabular-nums">{money(sum)}</span>
          </p>
        )}
      </Panel>
    </div>
  )
}

import { data, Form, Link } from 'react-router'
import { Cautions } from '~/components/cautions'
import { LineMap } from '~/components/line-map/line-map'
import { orNotFound } from '~/lib/require'
import { useSay } from '~/lib/say'
import { Button, LinkButton } from '~/ui/button'
import { LoneLink } from '~/ui/lone-link'
import { Panel } from '~/ui/panel'
import { fact } from '~core/base/decision'
import { faultLine, orFault } from '~core/base/fault'
import { sheetKey } from '~core/job/events/sheet-filled'
import { repairSheetOf } from '~core/repair-sheets'
import { begunWith, workOf } from '~core/repair-sheets/begin'
import { lineAt } from '~core/repair-sheets/lines'
import type { Filled, RepairSheet } from '~core/repair-sheets/sheet'
import { writtenInto } from '~core/repair-sheets/write'
import { withMeasuredWear } from '~core/vehicle/measured-wear'
import { database, personHere } from '~server/http/context.server'
import { jobOnPage } from '~server/http/job-on-page.server'
import { sayHere } from '~server/http/say.server'
import { findJob } from '~server/store/jobs.server'
import { sheetPrices } from '~server/store/settings.server'
import { findVehicle, saveVehicleVersion } from '~server/store/vehicles.server'
import type { Route } from './+types/job-sheet'
import { LineStrip } from './line-strip'
import { SheetField } from './sheet-field'
import { useSheet } from './use-sheet'
import { Verdict } from './verdict'

export async function loader({ params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const job = await jobOnPage(context, params.jobId)
  const sheet = orNotFound(repairSheetOf(params.sheet))
  const place = orNotFound(sheet.places(job.vehicle).find(({ id }) => id === params.place))
  const prices = await sheetPrices(db)
  const vehicle = withMeasuredWear(job.vehicle, job.checkIn?.work.padWearMm ?? {})
  const kept = job.sheets?.[sheetKey({ sheet: sheet.id, place: place.id })]
  return {
    kept: kept ?? {
      filled: begunWith(sheet, vehicle, place.id, { prices, found: job.faultFinding?.found }),
      fills: 0,
    },
    prices,
    place,
    vehicle,
    vehicleId: job.vehicleId,
    plate: job.plate,
    locked: job.filed !== undefined,
    plannable: job.run?.plateConfirmed !== true && job.filed === undefined,
  }
}

/** The new length goes into the vehicle’s file as it stands now: the job keeps the one it began with until it is renewed. */
export async function action({ params, context }: Route.ActionArgs) {
  const db = context.get(database)
  const job = orNotFound(await findJob(db, params.jobId))
  const kept = orNotFound(job.sheets?.[sheetKey(params)])
  const sheet = orNotFound(repairSheetOf(params.sheet))
  const stored = orNotFound(await findVehicle(db, job.vehicleId))
  const of = { sheet, filled: kept.filled, at: params.place }
  const written = writtenInto(stored.vehicle, of, job.vehicle)
  if (!written.ok) return data({ refusal: sayHere(context)(written.refusal) }, { status: 409 })
  const by = context.get(personHere)?.name ?? ''
  const saved = await saveVehicleVersion(db, job.vehicleId, JSON.stringify(written.vehicle, undefined, 2), by)
  return saved.ok
    ? { written: saved.value.version }
    : data({ refusal: saved.faults.map(faultLine).join('; ') }, { status: 409 })
}

/** One part, from what is seen on it to what is done with it. */
export default function JobSheetPage({ loaderData, actionData, params }: Route.ComponentProps) {
  const { kept, prices, place, vehicle, vehicleId, plate, locked, plannable } = loaderData
  const say = useSay()
  const sheet = repairSheetOf(params.sheet) as RepairSheet
  const fields = sheet.fields(vehicle, place.id, prices)
  const judged = (filled: Filled) => orFault(() => sheet.judge(filled, vehicle, place.id))
  const page = useSheet(kept, locked, (filled) => judged(filled).fault === undefined)
  const { value: verdict, fault } = judged(page.filled)
  const line = sheet.drawn ? lineAt(vehicle, place.id) : undefined
  const { opened, replaced } = verdict
    ? workOf(sheet, verdict, vehicle, place.id)
    : { opened: [], replaced: [] }
  const written = actionData && 'written' in actionData ? actionData.written : undefined
  const refused = actionData && 'refusal' in actionData ? actionData.refusal : undefined
  const changes =
    verdict && sheet.work[verdict.value] !== 'none' && sheet.changes?.(page.filled, vehicle, place.id)
  const [rustFrom, rustTo] = [page.filled['rust-from'], page.filled['rust-to']].map((each) =>
    typeof each === 'number' ? each : undefined,
  )
  const cut = verdict?.figures.find(({ code }) => code === 'sheet-cuts')?.params
  /** Of two taps the nearer end of the line is where the rust begins. */
  const mark = (atM: number) => {
    if (rustFrom === undefined || rustTo !== undefined)
      return page.set({ 'rust-from': atM, 'rust-to': undefined })
    page.set({ 'rust-from': Math.min(atM, rustFrom), 'rust-to': Math.max(atM, rustFrom) })
  }
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_26rem]">
      <title>{`${plate}: ${say(fact(`sheet-name-${sheet.id}`))} · Ruddy Siphon`}</title>
      <Panel className="grid gap-4 lg:col-start-1">
        <div className="flex flex-wrap items-baseline justify-between gap-3">
          <h1 className="text-2xl">
            {say(fact(`sheet-name-${sheet.id}`))}: {say(place.name)}
          </h1>
          <LoneLink to={`/jobs/${params.jobId}/sheets`}>All sheets of this job</LoneLink>
        </div>
        <Cautions codes={sheet.cautions} />
        {line && (
          <LineStrip
            line={line}
            rust={{ fromM: rustFrom, toM: rustTo }}
            cut={cut ? { fromM: Number(cut.fromM), toM: Number(cut.toM) } : undefined}
            onMark={mark}
          />
        )}
        <div className="grid grid-cols-2 gap-3 md:grid-cols-3">
          {fields.map((field) => (
            <SheetField
              key={field.id}
              field={field}
              value={page.valueOf(field)}
              fault={
                page.faultOf(field) ??
                (fault?.path === field.id ? `Look again: ${fault.message}.` : undefined)
              }
              locked={locked}
              onChange={(value) => page.change(field, value)}
              onLeave={page.leave}
            />
          ))}
        </div>
      </Panel>
      <div className="grid gap-5 lg:sticky lg:top-4 lg:col-start-2 lg:row-span-2 lg:row-start-1">
        <Verdict verdict={verdict}>
          {page.refusal ? (
            <div role="alert" className="grid gap-2">
              <p className="fault">Not recorded. {page.refusal}</p>
              <Button onClick={page.takeWhatStands}>Show what stands now</Button>
            </div>
          ) : (
            <p role="status" className="text-quiet">
              {recordedWords(page, kept.fills)}
            </p>
          )}
          {verdict && plannable && opened.length + replaced.length > 0 && (
            <LinkButton
              main
              size="finger"
              to={`/jobs/${params.jobId}/check-in?${new URLSearchParams([
                ['reason', 'repair'],
                ...opened.map((id): [string, string] => ['opened', id]),
                ...replaced.map((id): [string, string] => ['replaced', id]),
              ])}`}
            >
              Plan the bleed after it
            </LinkButton>
          )}
          {changes && !locked && (
            <Form method="post" className="grid gap-1">
              <Button type="submit" size="finger" disabled={page.recording || kept.fills === 0}>
                It is fitted: write its length into the vehicle
              </Button>
              {written !== undefined && (
                <p role="status">
                  Written as version {written}. <Link to={`/vehicles/${vehicleId}`}>Open the vehicle</Link>
                </p>
              )}
              {refused && (
                <p role="alert" className="fault">
                  {refused}
                </p>
              )}
            </Form>
          )}
        </Verdict>
      </div>
      <Panel className="lg:col-start-1">
        <h2>Where</h2>
        <LineMap vehicle={vehicle} picked={[place.id]} plain />
      </Panel>
    </div>
  )
}

/** How the page stands against what is recorded. */
function recordedWords(
  { impossible, lost, recording, recorded }: ReturnType<typeof useSheet>,
  fills: number,
): string {
  if (impossible) return 'Not recorded yet: one of the figures cannot be.'
  if (lost) return 'No server: it stays on this page, and is sent as soon as there is one.'
  if (recording) return 'Being recorded…'
  return recorded || fills > 0 ? 'Recorded.' : 'Every answer is recorded as you give it.'
}

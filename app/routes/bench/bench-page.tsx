import { useState } from 'react'
import { Link, type ShouldRevalidateFunctionArgs, useLocation } from 'react-router'
import { Reasons } from '~/components/reasons'
import { orNotFound } from '~/lib/require'
import { useSay } from '~/lib/say'
import { useUnits } from '~/lib/units'
import { Panel } from '~/ui/panel'
import { benchPageOf } from '~core/calculators'
import {
  addressOf,
  isAsked,
  pageFact,
  questionFact,
  type Typed,
  typedFrom,
  workBench,
} from '~core/calculators/page'
import { withMeasuredWear } from '~core/vehicle/measured-wear'
import { database } from '~server/http/context.server'
import { findJob, openJobs } from '~server/store/jobs.server'
import { findVehicle, listVehicles } from '~server/store/vehicles.server'
import type { Route } from './+types/bench-page'
import { About } from './about'
import { BenchInput } from './bench-input'
import { pictures } from './pictures'
import { StartFrom } from './start-from'
import { UseInJob } from './use-in-job'

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const page = orNotFound(benchPageOf(params.page))
  const db = context.get(database)
  const { searchParams } = new URL(request.url)
  const [jobId, vehicleId] = [searchParams.get('job'), searchParams.get('vehicle')]
  const job = jobId === null ? undefined : orNotFound(await findJob(db, jobId))
  const [jobs, vehicles] = [await openJobs(db), await listVehicles(db)]
  const fallback =
    page.wantsVehicle && !job ? vehicles.find(({ kind }) => kind === 'van' || kind === 'car') : undefined
  const shownId = vehicleId ?? fallback?.id
  const stored = shownId === undefined || job ? undefined : orNotFound(await findVehicle(db, shownId))
  return {
    vehicle: job ? withMeasuredWear(job.vehicle, job.checkIn?.work.padWearMm ?? {}) : stored?.vehicle,
    vehicleId: stored?.id,
    job:
      job && jobId !== null
        ? {
            id: jobId,
            plate: job.plate,
            tested: job.tested !== undefined,
            begun: job.run?.plateConfirmed === true || job.filed !== undefined,
          }
        : undefined,
    jobs: jobs.map(({ id, plate, vehicle_name }) => ({ id, name: `${plate}, ${vehicle_name}` })),
    vehicles: vehicles.map(({ id, plate, name }) => ({ id, name: `${plate}, ${name}` })),
  }
}

/** The inputs live in the address and are worked out here: only another vehicle or job asks the server. */
export function shouldRevalidate({
  currentUrl,
  nextUrl,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs) {
  const source = ({ pathname, searchParams }: URL) =>
    [pathname, searchParams.get('job'), searchParams.get('vehicle')].join()
  return source(currentUrl) === source(nextUrl) ? false : defaultShouldRevalidate
}

export default function BenchPageRoute({ loaderData, params }: Route.ComponentProps) {
  const { job, vehicle } = loaderData
  // Another page, job or vehicle is another sheet: its fields begin anew.
  return (
    <Sheet key={`${params.page} ${job?.id} ${vehicle?.name}`} loaderData={loaderData} pageId={params.page} />
  )
}

function Sheet({ loaderData, pageId }: { loaderData: Route.ComponentProps['loaderData']; pageId: string }) {
  const { vehicle, vehicleId, job, jobs, vehicles } = loaderData
  const page = orNotFound(benchPageOf(pageId))
  const units = useUnits()
  const say = useSay()
  const name = say(pageFact(pageId))
  const { search } = useLocation()
  const [typed, setTyped] = useState<Typed>(() => {
    const address = new URLSearchParams(search)
    const chosen = (name: string) => address.get(name) ?? String(page.fields[name]?.initial ?? '')
    const start = vehicle ? (page.startFrom(vehicle, chosen) as Typed) : {}
    return typedFrom(page, (name) => address.get(name), start, units)
  })
  const worked = workBench(page, typed, units)
  const [last, setLast] = useState(worked)
  const shown = worked.ok ? worked : last
  const address = new URLSearchParams(addressOf(page, typed, units))

  function change(name: string, text: string) {
    const next = { ...typed, [name]: text }
    // Another axle is another pair of lines of the same vehicle.
    if (vehicle && page.fields[name]?.kind === 'choice') {
      const again = page.startFrom(vehicle, (field) => next[field] ?? '') as Typed
      const before = page.startFrom(vehicle, (field) => typed[field] ?? '') as Typed
      // What was chosen stands, but for what this vehicle has not.
      for (const [field, value] of Object.entries(again))
        if (field === name ? value !== text : value !== before[field]) next[field] = value
    }
    setTyped(next)
    const result = workBench(page, next, units)
    if (result.ok) setLast(result)
    const kept = new URLSearchParams(window.location.search)
    const from = ['job', 'vehicle'].flatMap((key) => (kept.has(key) ? [[key, kept.get(key) ?? '']] : []))
    const written = new URLSearchParams([...from, ...Object.entries(addressOf(page, next, units))])
    // Written beside the router: nothing is asked of the server, and going back leaves the page, not a keystroke.
    window.history.replaceState(window.history.state, '', `?${written}`)
  }

  const faultOf = (name: string) =>
    worked.ok ? undefined : worked.faults.find(({ path }) => path === name)?.message
  const whole = worked.ok ? undefined : worked.faults.find(({ path }) => !(path in page.fields))?.message
  const Picture = pictures[page.id]
  // A number and its unit stay on one line.
  const sentence = shown.ok
    ? say(page.says(shown.result, shown.values)).replace(/(\d) (?=\S)/g, '$1\u00a0')
    : undefined
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[22rem_minmax(0,1fr)]">
      <title>{`${name} · Bench · Ruddy Siphon`}</title>
      <div className="grid gap-5 print:order-2">
        <header className="print:hidden">
          <Link to="/bench" className="font-semibold print:hidden">
            Bench
          </Link>
          <h1 className="text-2xl">{name}</h1>
          <p className="text-quiet">{say(questionFact(pageId))}</p>
        </header>
        <StartFrom
          pageId={page.id}
          jobs={jobs}
          vehicles={vehicles}
          chosen={job ? `job ${job.id}` : vehicleId ? `vehicle ${vehicleId}` : ''}
        />
        <Panel
          as="form"
          className="grid gap-4 print:grid-cols-3"
          onSubmit={(event) => event.preventDefault()}
          aria-label="Inputs"
        >
          {Object.entries(page.fields)
            .filter(([, field]) => isAsked(field, typed))
            .map(([name, field]) => (
              <BenchInput
                page={pageId}
                key={name}
                name={name}
                field={field}
                value={typed[name] ?? ''}
                fault={faultOf(name)}
                units={units}
                onChange={(text) => change(name, text)}
              />
            ))}
        </Panel>
      </div>
      <div className="grid min-w-0 gap-5">
        <Panel
          className={`grid min-w-0 grid-cols-[minmax(0,1fr)] gap-4 ${worked.ok ? '' : 'border-l-8 border-l-oxide'}`}
          aria-label="Answer"
        >
          <p className="hidden text-2xl font-extrabold print:block">{name}</p>
          <p role="status" className="text-xl font-bold text-balance">
            {worked.ok
              ? sentence
              : 'Mend what is marked; the picture shows the last that could be worked out.'}
          </p>
          {whole && <p className="fault">{whole}</p>}
          {shown.ok && Picture && <Picture result={shown.result} values={shown.values} vehicle={vehicle} />}
        </Panel>
        {worked.ok && job && (
          <UseInJob
            page={page}
            job={job}
            address={address}
            change={page.change?.(worked.values, worked.result)}
          />
        )}
        <Panel className="grid gap-4">
          {shown.ok && <Reasons reasons={shown.reasons} />}
          <About about={page.about} />
        </Panel>
      </div>
    </div>
  )
}

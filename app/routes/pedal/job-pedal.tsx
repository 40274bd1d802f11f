import { useEffect, useState } from 'react'
import { data, useFetcher } from 'react-router'
import { Cautions } from '~/components/cautions'
import { HoldFor } from '~/components/hold-for'
import { Reasons } from '~/components/reasons'
import { showDate, showMoment } from '~/lib/format'
import { useSay } from '~/lib/say'
import { useUnits } from '~/lib/units'
import { ActionBar } from '~/ui/action-bar'
import { Button } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { fact, reason } from '~core/base/decision'
import { pedalFeltEventSchema } from '~core/job/events/pedal-felt'
import { pedalChange, softMl } from '~core/job/pedal-felt'
import { readQuantity } from '~core/units/units'
import { numberFault } from '~core/words/typed-number'
import { database } from '~server/http/context.server'
import { jobOnPage } from '~server/http/job-on-page.server'
import { recordSent } from '~server/http/record-event.server'
import { earlierPedals } from '~server/store/pedal.server'
import type { Route } from './+types/job-pedal'
import { PedalBars } from './pedal-bars'

const fieldNames = {
  biteMm: 'First press, light: it first resists at',
  firmMm: 'Second press: it is firm from',
  bottomMm: 'Third press, full effort: it ends at',
  sinkMm: 'Held firmly for 30 s it sank by (may be left out)',
} as const
type Name = keyof typeof fieldNames
const names = Object.keys(fieldNames) as Name[]

export async function loader({ params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const job = await jobOnPage(context, params.jobId)
  return {
    plate: job.plate,
    vehicle: job.vehicle,
    felt: job.pedal ?? [],
    earlier: await earlierPedals(db, job.vehicleId, params.jobId),
    locked: job.filed !== undefined,
  }
}

export async function action(args: Route.ActionArgs) {
  const sent = pedalFeltEventSchema.pick({ biteMm: true, firmMm: true, bottomMm: true, sinkMm: true })
  const { body, status } = await recordSent(args, sent, (read) => ({ type: 'pedal-felt' as const, ...read }))
  return data(body, { status })
}

/** The pedal before and after, by three presses and a rule: what nobody remembers is drawn. */
export default function JobPedalPage({ loaderData }: Route.ComponentProps) {
  const { plate, vehicle, felt, earlier, locked } = loaderData
  const say = useSay()
  const [first, last] = [felt[0], felt.at(-1)]
  const ml = last && softMl(vehicle, last)
  const rows = [
    ...earlier
      .toReversed()
      .map((each) => ({ ...each, key: each.at, name: showDate(each.at), earlier: true })),
    ...felt.map((each) => ({
      ...each,
      key: each.at,
      name: `${each.bled ? 'after' : 'before'}, ${showMoment(each.at)}`,
      earlier: false,
    })),
  ]
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <title>{`${plate}: Pedal · Ruddy Siphon`}</title>
      <Panel className="grid gap-4">
        <h1 className="text-2xl">The pedal, before and after</h1>
        {rows.length === 0 ? (
          <p>Nobody has felt it yet. Before anything is opened is the time: afterwards nobody remembers.</p>
        ) : (
          <PedalBars rows={rows} />
        )}
        {first && last && first !== last && <Reasons reasons={pedalChange(first, last)} />}
        {ml !== undefined && <Reasons reasons={[reason('pedal-soft-moves', 'physics', { softMl: ml })]} />}
      </Panel>
      <Panel className="grid gap-4 max-lg:order-first">
        <h2>Three presses, a rule beside the pedal</h2>
        <p>Engine off, booster empty. From rest, with the end of the rule on the pad.</p>
        <Cautions codes={['never-press-open']} />
        {locked ? <p className="font-bold">{say(fact('job-filed'))}</p> : <FeltForm />}
      </Panel>
    </div>
  )
}

function FeltForm() {
  const units = useUnits()
  const fetcher = useFetcher<typeof action>()
  const [typed, setTyped] = useState<Partial<Record<Name, string>>>({})
  const [asked, setAsked] = useState(false)
  const read = (name: Name): number | undefined => {
    const value = readQuantity(typed[name] ?? '', 'length', units.length)
    return value && value.metric >= 0 ? value.metric : undefined
  }
  // What was taken is not asked again; what somebody else recorded leaves alone what is typed here.
  useEffect(() => {
    if (fetcher.state !== 'idle' || !fetcher.data || fetcher.data.refusal) return
    setTyped({})
    setAsked(false)
  }, [fetcher.state, fetcher.data])
  const missing = (name: Name) =>
    read(name) === undefined && (name !== 'sinkMm' || (typed.sinkMm ?? '').trim() !== '')
  function submit(event: React.FormEvent) {
    event.preventDefault()
    setAsked(true)
    if (names.some(missing)) return
    const values = Object.fromEntries(names.map((name) => [name, read(name)]))
    fetcher.submit(values as never, { method: 'post', encType: 'application/json' })
  }
  return (
    <form onSubmit={submit} className="grid gap-3">
      {names.map((name) => (
        <label key={name} className="grid gap-1">
          <span className="field-label">
            {fieldNames[name]}, {units.length}
          </span>
          <input
            className="input"
            inputMode="decimal"
            autoComplete="off"
            value={typed[name] ?? ''}
            aria-invalid={(asked && missing(name)) || undefined}
            onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
          />
          {asked && missing(name) && <span className="fault">{numberFault(typed[name] ?? '')}</span>}
        </label>
      ))}
      <HoldFor holdS={30} />
      {fetcher.data?.refusal && (
        <p role="alert" className="fault">
          {fetcher.data.refusal}
        </p>
      )}
      <ActionBar>
        <Button type="submit" main size="finger" disabled={fetcher.state !== 'idle'}>
          That is how it is
        </Button>
      </ActionBar>
    </form>
  )
}

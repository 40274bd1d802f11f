import { data, Form, Link, redirect } from 'react-router'
import { Done, OnTheWay, Points } from '~/components/record/done'
import { Found } from '~/components/record/found'
import { Proofs } from '~/components/record/proofs'
import { Row } from '~/components/record/rows'
import { outcomeMarks, outcomeWords } from '~/components/words'
import { database, personHere } from '~/context'
import { comebacksOf, findJob, openJob } from '~/db/jobs.server'
import { pouredBy, shelfSettings } from '~/db/shelf.server'
import { findVehicle } from '~/db/vehicles.server'
import { showDate, showTime } from '~/lib/format'
import { recordDesk } from '~/lib/record-event.server'
import { orNotFound } from '~/lib/require'
import { useShow } from '~/lib/units'
import type { JobState } from '~core/job/state'
import type { Route } from './+types/record'

export async function loader({ params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  return {
    state: orNotFound(await findJob(db, params.jobId)),
    comebacks: await comebacksOf(db, params.jobId),
    poured: await pouredBy(db, params.jobId),
    money: (await shelfSettings(db)).money,
  }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const db = context.get(database)
  const form = await request.formData()
  if (form.get('intent') === 'came-back') {
    const { vehicleId } = orNotFound(await findJob(db, params.jobId))
    const stored = orNotFound(await findVehicle(db, vehicleId))
    const opened = await openJob(db, stored, new Date().toISOString(), {
      by: context.get(personHere) ?? undefined,
      comebackOf: params.jobId,
    })
    return redirect(`/jobs/${opened}/check-in`)
  }
  const text = String(form.get('text') ?? '').trim()
  const fault =
    text === '' || text.length > 2000
      ? 'Say what is to be added, in at most 2000 characters.'
      : await recordDesk(context, params.jobId, { type: 'addendum', text })
  return fault === undefined
    ? redirect(`/jobs/${params.jobId}/record`)
    : data({ fault, text }, { status: 400 })
}

/** The record on one page, for the screen, a grey printer, A4 and Letter. Filed, it is as it was signed. */
export default function Record({ loaderData, actionData, params }: Route.ComponentProps) {
  const { state, comebacks, poured, money } = loaderData
  const { filed, vehicle } = state
  return (
    <main className="mx-auto max-w-[52rem] p-5 print:max-w-none print:p-0 print:text-[10pt] print:leading-snug">
      <title>{`Record ${state.plate} · Ruddy Siphon`}</title>
      <div className="mb-4 flex flex-wrap gap-3 print:hidden">
        <Link to={filed ? '/logbook' : `/jobs/${params.jobId}`} className="button">
          Back
        </Link>
        <button type="button" className="button" onClick={() => window.print()}>
          Print
        </button>
        <Link to={`/jobs/${params.jobId}/trace`} className="button">
          Every act
        </Link>
        {filed && (
          <Form method="post" className="ml-auto">
            <button type="submit" name="intent" value="came-back" className="button">
              It came back: open a job on it
            </button>
          </Form>
        )}
      </div>
      <article className="panel grid gap-4 print:gap-2.5 print:border-b-0 print:bg-transparent print:p-0">
        <header className="flex flex-wrap items-center gap-x-5 gap-y-2 border-b-2 border-ink pb-3">
          <span className="plate text-3xl">{state.plate}</span>
          <div>
            <h1 className="text-xl wrap-anywhere">{vehicle.name}</h1>
            <p className="text-sm">
              Opened {showTime(state.openedAt)}
              {filed && `, filed ${showTime(filed.at)}`}
              {state.comebackOf && (
                <>
                  , <Link to={`/jobs/${state.comebackOf}/record`}>came back from an earlier job</Link>
                </>
              )}
            </p>
          </div>
          <p
            className={`ml-auto border-4 border-ink px-3 py-1 text-xl font-extrabold uppercase ${filed?.outcome === 'fit' || filed?.outcome === 'kept' ? '' : 'hatched'}`}
          >
            {filed ? `${outcomeMarks[filed.outcome]} ${outcomeWords[filed.outcome]}` : 'Not filed'}
          </p>
        </header>
        <div className="grid gap-4 sm:grid-cols-2 print:grid-cols-2">
          <Found state={state} />
          <Done state={state} poured={poured} money={money} />
        </div>
        <Points state={state} />
        <OnTheWay state={state} />
        {filed?.outcome !== 'declined' && filed?.outcome !== 'kept' && <Proofs state={state} />}
        <Signed state={state} />
        <Added state={state} />
        {comebacks.map(({ id, at }) => (
          <p key={id}>
            It came back: <Link to={`/jobs/${id}/record`}>job opened {showDate(at)}</Link>
          </p>
        ))}
      </article>
      {filed && (
        <Form method="post" className="panel mt-4 grid gap-3 print:hidden">
          <label className="grid gap-1">
            <span className="field-label">Add to this record; what is frozen stays as it is</span>
            <textarea
              name="text"
              className="input"
              rows={2}
              maxLength={2000}
              defaultValue={actionData?.text}
            />
          </label>
          {actionData?.fault && (
            <p role="alert" className="fault">
              {actionData.fault}
            </p>
          )}
          <button type="submit" className="button justify-self-start">
            Add it, with my name and the time
          </button>
        </Form>
      )}
    </main>
  )
}

function Signed({ state: { filed, people } }: { state: JobState }) {
  const show = useShow()
  if (!filed) return null
  const recorded = people.map(({ name }) => name).join(', ')
  return (
    <footer className="grid gap-x-6 gap-y-1 border-t-2 border-ink pt-3 sm:grid-cols-2 print:grid-cols-2">
      <Row name="Done by">{filed.doneBy}</Row>
      <Row name="Checked by">{filed.checkedBy?.name ?? 'nobody'}</Row>
      <Row name="Filed by">{filed.by?.name ?? 'not said'}</Row>
      {recorded !== filed.doneBy && recorded !== '' && <Row name="Recorded by">{recorded}</Row>}
      <Row name="Used fluid">{show('volume', filed.wasteMl)} into the drum</Row>
      {filed.nextDue && <Row name="Next due">{showDate(filed.nextDue)}</Row>}
      {filed.note && <Row name="Note">{filed.note}</Row>}
    </footer>
  )
}

function Added({ state: { addenda } }: { state: JobState }) {
  if (addenda.length === 0) return null
  return (
    <section>
      <h2 className="mb-1">Added since</h2>
      <ul className="grid gap-1">
        {addenda.map(({ id, at, by, text }) => (
          <li key={id} className="wrap-anywhere">
            <span className="text-quiet">
              {showTime(at)}, {by?.name ?? 'not said'}:
            </span>{' '}
            {text}
          </li>
        ))}
      </ul>
    </section>
  )
}

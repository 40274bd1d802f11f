import { data, Form, Link, redirect } from 'react-router'
import { RecordBody } from '~/components/record/document'
import { database, personHere } from '~/context'
import { comebacksOf, findJob, openJob } from '~/db/jobs.server'
import { entriesOf } from '~/db/ledger.server'
import { documentOf, filedDocument } from '~/db/record.server'
import { findVehicle } from '~/db/vehicles.server'
import { showDate, showTime } from '~/lib/format'
import { recordDesk } from '~/lib/record-event.server'
import { orNotFound } from '~/lib/require'
import type { JobState } from '~core/job/state'
import { shortFingerprint } from '~core/ledger/logbook'
import type { Route } from './+types/record'

export async function loader({ params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const state = orNotFound(await findJob(db, params.jobId))
  const kept = state.filed && (await filedDocument(db, params.jobId))
  return {
    state,
    document: kept ?? (await documentOf(db, params.jobId, state, context.get(personHere)?.id)),
    wordsKept: kept !== undefined,
    comebacks: await comebacksOf(db, params.jobId),
    entries: (await entriesOf(db, params.jobId)).map(({ entry, link }) => ({
      seq: entry.seq,
      at: entry.at,
      link,
    })),
    key: shortFingerprint(db.shopKey.fingerprint),
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
  const { state, document, wordsKept, comebacks, entries, key } = loaderData
  const { filed } = state
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
          <>
            <Link to={`/jobs/${params.jobId}/certificate`} className="button">
              Customer’s certificate
            </Link>
            <a href={`/jobs/${params.jobId}/record.jsonl`} className="button" download>
              File to check
            </a>
          </>
        )}
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
          <span className="plate text-3xl">{document.plate}</span>
          <div>
            <h1 className="text-xl wrap-anywhere">{document.vehicle}</h1>
            <p className="text-sm">
              {[document.opened, document.filed].filter(Boolean).join(', ')}
              {state.comebackOf && (
                <>
                  , <Link to={`/jobs/${state.comebackOf}/record`}>came back from an earlier job</Link>
                </>
              )}
            </p>
          </div>
          <p
            className={`ml-auto border-4 border-ink px-3 py-1 text-xl font-extrabold uppercase ${document.outcome?.sound ? '' : 'hatched'}`}
          >
            {document.outcome ? `${document.outcome.mark} ${document.outcome.words}` : 'Not filed'}
          </p>
        </header>
        <RecordBody document={document} />
        <Added state={state} />
        {filed && wordsKept && <p className="text-sm">In the words and units in which it was filed.</p>}
        {filed && !wordsKept && (
          <p className="text-sm">
            Filed before records kept their words: its figures are as they were signed, its checks and
            sentences are said as this release says them.
          </p>
        )}
        {entries.length > 0 && <Entered entries={entries} shopKey={key} />}
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

/** Where the logbook has this record: whoever has its file can check it without this program. */
function Entered({
  entries,
  shopKey,
}: {
  entries: { seq: number; at: string; link: string }[]
  shopKey: string
}) {
  const last = entries.at(-1)
  return (
    <p className="border-t border-rule pt-2 text-sm wrap-anywhere">
      Entry {entries.map(({ seq }) => seq).join(', ')} of the shop’s logbook, signed with the shop’s key{' '}
      {shopKey}. <span className="font-mono">{last?.link}</span>
    </p>
  )
}

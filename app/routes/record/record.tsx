import { data, Form, Link, redirect } from 'react-router'
import { FollowUps } from '~/components/follow-ups'
import { toAddress } from '~/lib/fault-address'
import { showDate } from '~/lib/format'
import { orNotFound } from '~/lib/require'
import { today } from '~/lib/today'
import { Button, FileButton, LinkButton } from '~/ui/button'
import { FormPanel } from '~/ui/form-panel'
import { Panel } from '~/ui/panel'
import { fact } from '~core/base/decision'
import { followUpFact, followUpsOf, searchAfter } from '~core/job/follow-ups'
import { shortFingerprint } from '~core/ledger/logbook'
import { database, personHere } from '~server/http/context.server'
import { recordDesk } from '~server/http/record-event.server'
import { sayHere } from '~server/http/say.server'
import { openJob } from '~server/services/open-job.server'
import { documentOf, filedDocument } from '~server/services/record.server'
import { comebacksOf, findJob } from '~server/store/jobs.server'
import { entriesOf } from '~server/store/ledger.server'
import { findVehicle } from '~server/store/vehicles.server'
import type { Route } from './+types/record'
import { Addenda, InLogbook } from './addenda'
import { RecordBody } from './document'

export async function loader({ params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const state = orNotFound(await findJob(db, params.jobId))
  const kept = state.filed && (await filedDocument(db, params.jobId))
  return {
    state,
    document: kept ?? (await documentOf(db, params.jobId, state, context.get(personHere)?.id)),
    wordsKept: kept !== undefined,
    comebacks: await comebacksOf(db, params.jobId),
    followUps: followUpsOf(state),
    day: today(),
    entries: (await entriesOf(db, params.jobId)).map(({ entry, link }) => ({
      seq: entry.seq,
      at: entry.at,
      link,
    })),
    key: shortFingerprint(db.shopKey.fingerprint),
  }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const form = await request.formData()
  const intent = form.get('intent')
  if (intent === 'came-back') return redirect(`/jobs/${await openComeback(context, params.jobId)}/check-in`)
  const text = String(form.get('text') ?? '').trim()
  if (intent === 'good' || intent === 'bad') {
    const followUp = { id: String(form.get('followUp') ?? ''), good: intent === 'good' }
    const look = followUpFact(followUp.id)
    const says = sayHere(context)(fact(`follow-up-${intent}`, { look }))
    const words = [says, text.slice(0, 1500)].filter(Boolean).join(' ')
    const refused = await recordDesk(context, params.jobId, { type: 'addendum', text: words, followUp })
    if (refused !== undefined) return data({ fault: refused, text }, { status: 409 })
    if (followUp.good) return redirect(`/jobs/${params.jobId}/record`)
    const opened = await openComeback(context, params.jobId)
    const search = searchAfter(followUp.id)
    return redirect(search ? `/jobs/${opened}/find?${toAddress(search)}` : `/jobs/${opened}/check-in`)
  }
  const fault =
    text === '' || text.length > 2000
      ? 'Say what is to be added, in at most 2000 characters.'
      : await recordDesk(context, params.jobId, { type: 'addendum', text })
  return fault === undefined
    ? redirect(`/jobs/${params.jobId}/record`)
    : data({ fault, text }, { status: 400 })
}

/** Another job on the same vehicle that knows which one it came back from. @returns its id */
async function openComeback(context: Route.ActionArgs['context'], jobId: string): Promise<string> {
  const db = context.get(database)
  const { vehicleId } = orNotFound(await findJob(db, jobId))
  const stored = orNotFound(await findVehicle(db, vehicleId))
  const by = context.get(personHere) ?? undefined
  return openJob(db, stored, new Date().toISOString(), { by, comebackOf: jobId })
}

/** The record on one page, for the screen, a grey printer, A4 and Letter. Filed, it is as it was signed. */
export default function Record({ loaderData, actionData, params }: Route.ComponentProps) {
  const { state, document, wordsKept, comebacks, followUps, day, entries, key } = loaderData
  const { filed } = state
  return (
    <main className="mx-auto max-w-[52rem] p-5 print:max-w-none print:p-0 print:text-[10pt] print:leading-snug">
      <title>{`Record ${state.plate} · Ruddy Siphon`}</title>
      <div className="mb-4 flex flex-wrap gap-3 print:hidden">
        <LinkButton to={filed ? '/logbook' : `/jobs/${params.jobId}`}>Back</LinkButton>
        <Button onClick={() => window.print()}>Print</Button>
        <LinkButton to={`/jobs/${params.jobId}/trace`}>Every act</LinkButton>
        {filed && (
          <>
            <LinkButton to={`/jobs/${params.jobId}/certificate`}>Customer’s certificate</LinkButton>
            <FileButton href={`/jobs/${params.jobId}/record.jsonl`} download>
              File to check
            </FileButton>
          </>
        )}
        {filed && (
          <Form method="post" className="ml-auto">
            <Button type="submit" name="intent" value="came-back">
              It came back: open a job on it
            </Button>
          </Form>
        )}
      </div>
      <Panel
        as="article"
        className="grid grid-cols-1 gap-4 print:gap-2.5 print:border-b-0 print:bg-transparent print:p-0"
      >
        <header className="flex flex-wrap items-center gap-x-5 gap-y-2 border-b-2 border-ink pb-3">
          <span className="plate text-3xl">{document.plate}</span>
          <div className="min-w-0 wrap-anywhere">
            <h1 className="text-xl">{document.vehicle}</h1>
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
        <Addenda state={state} />
        {filed && wordsKept && <p className="text-sm">In the words and units in which it was filed.</p>}
        {filed && !wordsKept && (
          <p className="text-sm">
            Filed before records kept their words: its figures are as they were signed, its checks and
            sentences are said as this release says them.
          </p>
        )}
        {entries.length > 0 && <InLogbook entries={entries} shopKey={key} />}
        {comebacks.map(({ id, at }) => (
          <p key={id}>
            It came back: <Link to={`/jobs/${id}/record`}>job opened {showDate(at)}</Link>
          </p>
        ))}
      </Panel>
      <FollowUps all={followUps} today={day} />
      {filed && (
        <FormPanel className="mt-4 grid gap-3 print:hidden">
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
          <Button type="submit" className="justify-self-start">
            Add it, with my name and the time
          </Button>
        </FormPanel>
      )}
    </main>
  )
}

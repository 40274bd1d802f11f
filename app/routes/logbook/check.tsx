import { showTime } from '~/lib/format'
import { orNotFound } from '~/lib/require'
import { Panel } from '~/ui/panel'
import { shortFingerprint } from '~core/ledger/logbook'
import { database } from '~server/http/context.server'
import { filedDocument } from '~server/services/record.server'
import { findJob } from '~server/store/jobs.server'
import { entryByCode } from '~server/store/ledger.server'
import type { Route } from './+types/check'

export async function loader({ params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const found = orNotFound(await entryByCode(db, params.code))
  const document = orNotFound(await filedDocument(db, found.jobId))
  const state = await findJob(db, found.jobId)
  return {
    code: params.code,
    seq: found.entry.seq,
    newest: found.newest,
    at: found.entry.at,
    key: shortFingerprint(found.entry.key),
    plate: document.plate,
    outcome: document.outcome,
    certificate: document.certificate,
    addenda: state?.addenda.length ?? 0,
  }
}

/** Where a certificate's code leads: what the shop's logbook says of it, so that whoever holds the paper can compare. */
export default function Check({ loaderData }: Route.ComponentProps) {
  const { code, seq, newest, at, key, plate, outcome, certificate, addenda } = loaderData
  return (
    <main className="mx-auto grid max-w-2xl gap-4 p-5">
      <title>{`Certificate ${code} · Ruddy Siphon`}</title>
      <h1 className="text-3xl">The logbook has this certificate</h1>
      <p className="flex flex-wrap items-center gap-4">
        <span className="plate text-4xl">{plate}</span>
        <span
          className={`border-4 border-ink px-3 py-1 text-xl font-extrabold ${outcome?.sound ? '' : 'hatched'}`}
        >
          {outcome && `${outcome.mark} ${outcome.words}`}
        </span>
      </p>
      <Panel as="ul" className="grid list-disc gap-1 pl-9">
        {[...certificate.done, certificate.fluid, certificate.next, certificate.people].map((line) => (
          <li key={line}>{line}</li>
        ))}
      </Panel>
      <p>
        Entered {showTime(at)} as number {seq} of {newest}, signed with the shop’s key <strong>{key}</strong>.
        If the paper before you says something else, the paper was altered.
        {addenda > 0 && ` Something was added to this record since (${addenda}): ask the shop.`}
      </p>
    </main>
  )
}

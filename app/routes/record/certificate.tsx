import { showDate } from '~/lib/format'
import { orNotFound } from '~/lib/require'
import { Button, LinkButton } from '~/ui/button'
import { Panel } from '~/ui/panel'
import { shortFingerprint } from '~core/ledger/logbook'
import { phoneAddress, qrPicture } from '~server/http/cab.server'
import { database } from '~server/http/context.server'
import { documentOf, filedDocument } from '~server/services/record.server'
import { findJob } from '~server/store/jobs.server'
import { checkCode, entriesOf } from '~server/store/ledger.server'
import type { Route } from './+types/certificate'

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const db = context.get(database)
  const state = orNotFound(await findJob(db, params.jobId))
  const filed = orNotFound(state.filed)
  const kept = await filedDocument(db, params.jobId)
  const document = kept ?? (await documentOf(db, params.jobId, state))
  const entered = (await entriesOf(db, params.jobId)).find(({ entry }) => entry.kind === 'record')
  const check = kept && entered && `${phoneAddress(request).address}/check/${checkCode(entered.link)}`
  return {
    document,
    km: document.parts[0]?.rows.find(({ name }) => name === 'Odometer')?.text,
    on: showDate(filed.at),
    check: check && {
      address: check,
      qr: await qrPicture(check),
      code: checkCode(entered.link),
      seq: entered.entry.seq,
    },
    key: shortFingerprint(db.shopKey.fingerprint),
  }
}

/** One page for the customer, A4 or Letter, that a grey printer can do: what was done, measured, put in, and what is next. */
export default function CertificatePage({ loaderData, params }: Route.ComponentProps) {
  const { document, km, on, check, key } = loaderData
  const { certificate, outcome, plate, vehicle } = document
  return (
    <main className="mx-auto max-w-[48rem] p-5 print:max-w-none print:p-0 print:text-[11pt]">
      <title>{`Certificate ${plate} · Ruddy Siphon`}</title>
      <p className="mb-4 flex gap-3 print:hidden">
        <LinkButton to={`/jobs/${params.jobId}/record`}>Back</LinkButton>
        <Button main onClick={() => window.print()}>
          Print, or keep as PDF
        </Button>
      </p>
      <Panel as="article" className="grid gap-5 print:border-0 print:bg-transparent print:p-0">
        <header className="grid gap-3 border-b-4 border-ink pb-4">
          <p className="flex flex-wrap items-center gap-4">
            <span className="plate text-4xl">{plate}</span>
            <span className="wrap-anywhere">
              {vehicle}
              {km && `, ${km}`}
            </span>
            <span className="ml-auto">{on}</span>
          </p>
          <h1 className="text-3xl">Brake service certificate</h1>
          {outcome && (
            <p
              className={`justify-self-start border-4 border-ink px-4 py-2 text-2xl font-extrabold ${outcome.sound ? '' : 'hatched'}`}
            >
              {outcome.mark} {outcome.words}
            </p>
          )}
        </header>
        <section>
          <h2 className="mb-1">What was done</h2>
          <ul className="grid list-disc gap-1 pl-5">
            {certificate.done.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </section>
        {certificate.measured.length > 0 && (
          <table className="w-full text-left">
            <caption className="mb-1 text-left font-bold">What was measured</caption>
            <thead>
              <tr className="border-b-2 border-ink">
                <td />
                <th scope="col">Before</th>
                <th scope="col">After</th>
              </tr>
            </thead>
            <tbody>
              {certificate.measured.map(({ what, before, after }) => (
                <tr key={what} className="border-b border-rule [&>*]:py-1 [&>*]:pr-3">
                  <th scope="row" className="font-normal">
                    {what}
                  </th>
                  <td>{before || '–'}</td>
                  <td>{after || '–'}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <section className="grid gap-1">
          <h2>Fluid that is in it</h2>
          <p>{certificate.fluid}</p>
        </section>
        <p
          className={
            document.signed.some(({ name }) => name === 'Next due')
              ? 'border-4 border-ink p-3 text-lg font-bold'
              : ''
          }
        >
          {certificate.next}
        </p>
        <p>{certificate.people}</p>
        <footer className="grid items-center gap-4 border-t-2 border-ink pt-4 sm:grid-cols-[8rem_1fr] print:grid-cols-[8rem_1fr]">
          {check ? (
            <>
              <img src={check.qr} alt={`The address ${check.address}`} className="w-32 bg-[#fff]" />
              <p className="text-sm wrap-anywhere">
                This paper can be checked at <strong>{check.address}</strong>, or by code{' '}
                <span className="font-mono">{check.code}</span> against entry {check.seq} of the shop’s
                logbook. The logbook is signed with the shop’s key {key}; a copy of the record with its
                signature is given on request, and can be checked without the shop.
              </p>
            </>
          ) : (
            <p className="text-sm sm:col-span-2">
              Filed before certificates could be checked: the shop’s own record is what counts.
            </p>
          )}
        </footer>
      </Panel>
    </main>
  )
}

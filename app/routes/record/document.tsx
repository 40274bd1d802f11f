import { Swatch } from '~/components/swatch'
import type { DocumentRow, RecordDocument } from '~/record/document-schema'
import { ScrollsSideways } from '~/ui/scrolls-sideways'

/** A record as it is kept in words, for the screen and for paper. */
export function RecordBody({ document }: { document: RecordDocument }) {
  const { parts, points, lists, proofs, signed } = document
  return (
    <>
      <div className="grid gap-4 sm:grid-cols-2 print:grid-cols-2">
        {parts.map(({ title, rows }) => (
          <section key={title}>
            <h2 className="mb-1 border-b border-rule">{title}</h2>
            <Rows rows={rows} />
          </section>
        ))}
      </div>
      {points && (
        <section className="min-w-0">
          <h2 className="mb-1">{points.title}</h2>
          <ScrollsSideways label={points.title}>
            <table className="w-full text-left">
              <thead>
                <tr className="border-b-2 border-ink [&>th]:pr-3">
                  {points.head.map((each) => (
                    <th key={each} scope="col">
                      {each}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {points.rows.map((cells, i) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: kept words do not change their places
                  <tr key={i} className="border-b border-rule [&>td]:pr-3 [&>td:first-child]:font-bold">
                    {cells.map((cell, column) => (
                      // biome-ignore lint/suspicious/noArrayIndexKey: kept words do not change their places
                      <td key={column}>{cell}</td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </ScrollsSideways>
        </section>
      )}
      {lists.map(({ title, lines }) => (
        <section key={title}>
          <h2 className="mb-1">{title}</h2>
          <ul className="grid list-disc gap-0.5 pl-5">
            {lines.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </section>
      ))}
      {proofs && (
        <section>
          <h2 className="mb-1">{proofs.title}</h2>
          <ul className="grid gap-x-6 sm:grid-cols-2 print:grid-cols-2">
            {proofs.checks.map(({ mark, text }) => (
              <li key={text} className="flex gap-2 border-b border-rule">
                <strong>{mark}</strong> <span>{text}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {signed.length > 0 && (
        <footer className="grid gap-x-6 gap-y-1 border-t-2 border-ink pt-3 sm:grid-cols-2 print:grid-cols-2">
          <Rows rows={signed} />
        </footer>
      )}
    </>
  )
}

const Rows = ({ rows }: { rows: readonly DocumentRow[] }) =>
  rows.map(({ name, text, colour }) => (
    <p key={`${name} ${text}`} className="grid grid-cols-[9rem_1fr] gap-2">
      <span className="text-quiet">{name}</span>{' '}
      <span className={`wrap-anywhere ${colour ? 'inline-flex items-center gap-2' : ''}`}>
        {colour && <Swatch colour={colour} />} {text}
      </span>
    </p>
  ))

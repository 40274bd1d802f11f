import { useFetcher } from 'react-router'
import { BackupLine } from '~/components/backup-line'
import { counted } from '~/lib/format'
import { Button, FileButton } from '~/ui/button'
import { Panel } from '~/ui/panel'
import type { whatIsKept } from '~server/services/kept.server'

type Kept = Awaited<ReturnType<typeof whatIsKept>>

/** What the shop keeps: its backups, its logbook, and the key by which others know it. */
export function KeptPanel({ kept: { release, key, logbook, backup } }: { kept: Kept }) {
  const fetcher = useFetcher<{ fault?: string }>()
  return (
    <Panel title="What is kept" className="mx-auto mb-5 grid max-w-4xl gap-4">
      <div className="grid items-center gap-3 sm:grid-cols-[1fr_auto]">
        <div className="grid gap-1">
          <BackupLine backup={backup} />
          <p className="text-quiet wrap-anywhere">
            {counted(backup.count, 'backup')} in {backup.dir}
            {backup.mb !== undefined && `, the last ${backup.mb.toFixed(1)} MB`}. One is made every night and
            kept for 14 days; a copy on another disk is yours to make.
          </p>
        </div>
        <fetcher.Form method="post" action="/settings">
          <Button type="submit" name="intent" value="backup" disabled={fetcher.state !== 'idle'}>
            {fetcher.state === 'idle' ? 'Back up now' : 'Backing up…'}
          </Button>
        </fetcher.Form>
      </div>
      {fetcher.data?.fault && (
        <p role="alert" className="fault">
          {fetcher.data.fault}
        </p>
      )}
      <dl className="grid grid-cols-[10rem_1fr] gap-x-3 gap-y-1">
        <dt className="text-quiet">The shop’s key</dt>
        <dd>
          <span className="font-mono text-lg">{key}</span>, printed on every record and certificate
        </dd>
        <dt className="text-quiet">Logbook</dt>
        <dd className="wrap-anywhere">
          {logbook ? `${counted(logbook.seq, 'entry', 'entries')}, newest ` : 'empty'}
          <span className="font-mono text-sm">{logbook?.link}</span>
        </dd>
        <dt className="text-quiet">Release</dt>
        <dd>{release}</dd>
      </dl>
      <p className="flex flex-wrap gap-3">
        <FileButton href="/logbook.jsonl" download>
          Logbook as a file
        </FileButton>
        <FileButton href="/verify.html">Check a file</FileButton>
        <FileButton href="/verify.html" download="check-a-record.html">
          Keep the page that checks
        </FileButton>
      </p>
    </Panel>
  )
}

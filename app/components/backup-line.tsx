import { counted, showTime } from '~/lib/format'
import { Notice } from '~/ui/notice'
import type { LastBackup } from '~server/services/kept.server'

/** How long ago, as somebody would say it. */
function ago(hours: number): string {
  if (hours < 1) return 'less than an hour ago'
  return hours < 48
    ? `${counted(Math.floor(hours), 'hour')} ago`
    : `${counted(Math.floor(hours / 24), 'day')} ago`
}

/** When the data were backed up last; loud where that is too long ago. */
export function BackupLine({ backup: { at, ageHours, overdue } }: { backup: LastBackup }) {
  const said = at === undefined || ageHours === undefined ? 'never' : `${ago(ageHours)}, ${showTime(at)}`
  return overdue ? (
    <Notice role="alert" kind="stop" className="font-bold">
      <span className="bg-sheet px-1">Backup overdue. Last: {said}.</span>
    </Notice>
  ) : (
    <p>
      Last backup: <strong>{said}</strong>
    </p>
  )
}

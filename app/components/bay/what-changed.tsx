import { useSay } from '~/lib/say'
import type { TroubleReport } from '~core/job/state'

/** What something gone wrong made of the plan: what starts again, what is doubtful, what stays good. */
export function WhatChanged({ report, loud = false }: { report: TroubleReport; loud?: boolean }) {
  const say = useSay()
  const rows = [
    ['Starts again', report.startAgain],
    ['Doubtful, clean pulls again', report.doubtful],
    ['Stays good', report.stillValid],
  ] as const
  return (
    <div
      className={loud ? 'grid gap-2 border-l-8 border-oxide bg-oxide-wash p-3 text-lg' : 'grid gap-1'}
      role={loud ? 'status' : undefined}
    >
      <p className={loud ? 'font-bold' : ''}>{say(report.says)}</p>
      <p className="flex flex-wrap gap-x-5">
        {rows
          .filter(([, ids]) => ids.length > 0)
          .map(([name, ids]) => (
            <span key={name}>
              <span className="text-quiet">{name}:</span> <strong>{ids.join(', ')}</strong>
            </span>
          ))}
        {report.startAgain.length + report.doubtful.length === 0 && (
          <span className="text-quiet">Nothing starts again.</span>
        )}
      </p>
    </div>
  )
}

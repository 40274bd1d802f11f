import { parseDecimal } from '~/lib/fields'
import type { EventOf } from '~core/job/events'

export type Fitted = NonNullable<EventOf<'filed'>['fitted']>

export const spannerField = (bleeder: string): string => `spanner ${bleeder}`
const LARGEST_SPANNER_MM = 60
const LONGEST_ROUTINE_MIN = 24 * 60

/** What fitted, from the form that files a job: only what was given; or which of it is no number. */
export function fittedFrom(
  form: FormData,
  bleeders: readonly string[],
): { ok: true; fitted?: Fitted } | { ok: false; fault: string } {
  const spannersMm: Record<string, number> = {}
  for (const bleeder of bleeders) {
    const typed = form.get(spannerField(bleeder))
    const size = parseDecimal(typeof typed === 'string' ? typed : undefined)
    if (size === undefined) continue
    if (size === 'bad' || size <= 0 || size > LARGEST_SPANNER_MM)
      return { ok: false, fault: `Give the spanner of ${bleeder} in mm, like 9 or 7.5, or leave it empty.` }
    spannersMm[bleeder] = size
  }
  const routineMin = parseDecimal(String(form.get('routineMin') ?? ''))
  if (
    routineMin === 'bad' ||
    (routineMin !== undefined && (routineMin < 0.5 || routineMin > LONGEST_ROUTINE_MIN))
  )
    return { ok: false, fault: 'Give how long its routine took in minutes, like 14, or leave it empty.' }
  const text = (name: string) =>
    String(form.get(name) ?? '')
      .trim()
      .slice(0, 200) || undefined
  const fitted: Fitted = {
    ...(Object.keys(spannersMm).length > 0 && { spannersMm }),
    capAdapter: text('capAdapter'),
    benchThread: text('benchThread'),
    scanTool: text('scanTool'),
    toolMenu: text('toolMenu'),
    misled: text('misled'),
    ...(routineMin !== undefined && { routineMin: Math.round(routineMin) }),
  }
  return { ok: true, fitted: Object.values(fitted).some((value) => value !== undefined) ? fitted : undefined }
}

import type { EventOf, JobEvent } from '../events'
import type { JobState } from '../state'
import type { Learned } from './learned'

/** Something that was recorded on one job of a vehicle. */
export type Recorded = {
  jobId: string
  /** The other vehicle of its kind that it was recorded on; absent where it was this one. */
  plate?: string
  event: JobEvent
}

const troubles = ['seized', 'snapped', 'stripped'] as const
type Found = Omit<Learned, 'jobId' | 'at'>

/**
 * What jobs found out of a vehicle: bleeders that gave trouble, unless that was taken back, and what fitted, as it was
 * written down at filing. Of another vehicle of its kind only what holds for both: what was learned at the scan tool.
 */
export function foundOut(recorded: readonly Recorded[]): Learned[] {
  const undone = new Set(recorded.flatMap(({ event }) => (event.type === 'undone' ? [event.event] : [])))
  return recorded
    .filter(({ event }) => !undone.has(event.id))
    .flatMap(({ jobId, plate, event }) =>
      ofEvent(event, plate !== undefined).map((found) => ({
        jobId,
        at: event.at,
        ...found,
        ...(plate !== undefined && { plate }),
      })),
    )
}

function ofEvent(event: JobEvent, another: boolean): Found[] {
  if (event.type === 'filed') return [...(another ? [] : fitted(event)), ...atUnit(event)]
  if (event.type !== 'trouble' || another) return []
  const { what, point } = event.trouble as { what: string; point?: unknown }
  const kind = troubles.find((each) => each === what)
  return kind && typeof point === 'string' ? [{ kind, bleeder: point }] : []
}

const fitted = ({ fitted: of = {} }: EventOf<'filed'>): Found[] => [
  ...Object.entries(of.spannersMm ?? {}).map(([bleeder, value]) => ({
    kind: 'spanner' as const,
    bleeder,
    value,
  })),
  ...words('adapter', of.capAdapter),
  ...words('bench-thread', of.benchThread),
]

const atUnit = ({ fitted: of = {} }: EventOf<'filed'>): Found[] => [
  ...words('scan-tool', of.scanTool),
  ...words('tool-menu', of.toolMenu),
  ...words('tool-misled', of.misled),
  ...(of.routineMin === undefined ? [] : [{ kind: 'routine-minutes' as const, value: of.routineMin }]),
]

/** What went through each bleeder of a job that was bled and filed, mL. */
export function volumesThrough({ run }: Pick<JobState, 'run'>, jobId: string, filedAt: string): Learned[] {
  const through = new Map<string, number>()
  for (const { stage, at } of run?.stages ?? [])
    if (stage.kind === 'bleed')
      for (const [bleeder, { ml }] of Object.entries(at))
        if (ml > 0) through.set(bleeder, (through.get(bleeder) ?? 0) + ml)
  return [...through].map(([bleeder, value]) => ({ jobId, at: filedAt, kind: 'volume', bleeder, value }))
}

const words = (kind: Learned['kind'], what: string | undefined): Found[] =>
  what === undefined ? [] : [{ kind, what }]

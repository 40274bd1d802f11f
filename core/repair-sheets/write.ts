import { fact, type Notice } from '../base/decision'
import type { Line, Vehicle } from '../vehicle/schema'
import { lineAt, withSegments } from './lines'
import type { Filled, RepairSheet } from './sheet'

type Written = { ok: true; vehicle: Vehicle } | { ok: false; refusal: Notice }
const refused = (code: string): Written => ({ ok: false, refusal: fact(code) })

const pieces = (line: Line | undefined): string => JSON.stringify(line?.segments)

/**
 * The vehicle's file with a line as a sheet leaves it. Cuts are measured on the line that the job began with: where the
 * file has another by now, nobody knows where they would lie.
 *
 * @param began the vehicle as the job began with it
 * @param now as its file stands
 */
export function writtenInto(
  now: Vehicle,
  { sheet, filled, at }: { sheet: RepairSheet; filled: Filled; at: string },
  began: Vehicle,
): Written {
  const changed = sheet.changes?.(filled, began, at)
  if (!changed) return refused('sheet-no-new-length')
  const [before, after, stands] = [began, changed, now].map((vehicle) => lineAt(vehicle, at))
  if (after && pieces(stands) === pieces(after)) return refused('sheet-written-already')
  if (!after || !stands || pieces(stands) !== pieces(before)) return refused('sheet-vehicle-changed')
  return { ok: true, vehicle: withSegments(now, stands, after.segments) }
}

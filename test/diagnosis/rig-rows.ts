import { Chance } from '~core/base/random'
import { checkOf } from '~core/diagnosis/checks'
import { complaintIds } from '~core/diagnosis/complaints'
import { hide, isPhysical } from './hidden'
import { looksOnRig } from './looks-on-rig'
import { tablesStand } from './tables-stand'

/** How often each result was seen, in the order of a check's results: by check, then by cause. */
export type RigRows = Record<string, Record<string, number[]>>

/** No vehicle of the study is among these. */
const FIRST_SEED = 6000
const complaints = complaintIds.filter((id) => id !== 'no-clutch')

/** Every look that the rig can show, at so many vehicles with one cause each, as often as the tables have them. */
export function rigRows(vehicles: number): RigRows {
  const rows: RigRows = {}
  for (let i = 0; i < vehicles; i++) {
    const hidden = hide(new Chance(FIRST_SEED + i), complaints[i % complaints.length] ?? 'soft-pedal')
    const [cause] = hidden.causes
    if (!cause || hidden.causes.length > 1 || !isPhysical(cause)) continue
    for (const [id, look] of Object.entries(looksOnRig)) {
      const check = checkOf(id)
      if (tablesStand[`${id} ${cause.id}`]) continue
      if (!check?.complaints.includes(hidden.complaint) || check.said?.includes(hidden.complaint)) continue
      const result = look(hidden, new Chance(i))
      const byCause = rows[id] ?? {}
      const row = byCause[cause.id] ?? check.results.map(() => 0)
      byCause[cause.id] = row.map((count, r) => (check.results[r] === result ? count + 1 : count))
      rows[id] = byCause
    }
  }
  return rows
}

import type { Chance } from '~core/base/random'
import { causes } from '~core/diagnosis/causes'
import { openChecks } from '~core/diagnosis/compile'
import { complaintIds } from '~core/diagnosis/complaints'
import { type Case, caseFaults, historySchema } from '~core/diagnosis/request'
import { weightedOf } from '~core/diagnosis/shares'
import { lineId } from '~core/rig/parts/line'
import { examples } from '~core/vehicle/examples'
import { vehicleFrom } from './vehicles'

const fleet = Object.values(examples).map(({ file }) => vehicleFrom(file))

/** Somebody complains of an example vehicle, or of one that nobody has a file of; some looks were taken. */
export function randomCase(chance: Chance): Case {
  const vehicle = chance.yes(0.8) ? chance.of(fleet) : undefined
  const ids = vehicle ? [...vehicle.parts.map(({ id }) => id), ...vehicle.lines.map(lineId)] : []
  const some = () => (ids.length > 0 && chance.yes(0.3) ? [chance.of(ids)] : [])
  const of: Case = {
    ...(vehicle && { vehicle }),
    complaint: chance.of(complaintIds),
    history: historySchema.parse({
      opened: some(),
      replaced: some(),
      ...(chance.yes(0.5) && { bledSince: chance.yes(0.5) }),
      ...(chance.yes(0.3) && { fullyBled: chance.yes(0.5) }),
      ...(chance.yes(0.5) && { ageYears: chance.below(40) }),
    }),
    found: [],
    tried: [],
    costs: { parts: {} },
  }
  // A clutch that is not there is not complained of.
  if (caseFaults(of).length > 0) return randomCase(chance)
  for (let looks = chance.below(5); looks > 0; looks--) {
    const open = openChecks(of).filter(({ ends }) => !ends)
    if (open.length === 0) break
    const check = chance.of(open)
    of.found = [...of.found, { check: check.id, result: chance.of(check.results) }]
  }
  // Something was mended in vain, but not everything.
  const tried = { ...of, tried: [chance.of(causes).id] }
  return chance.yes(0.4) && weightedOf(tried).length > 0 ? tried : of
}

import { expect, test } from 'vitest'
import { Chance } from '~core/base/random'
import type { Cause } from '~core/diagnosis/cause'
import { causes } from '~core/diagnosis/causes'
import { checkOf } from '~core/diagnosis/checks'
import { traitsOf } from '~core/diagnosis/traits'
import { routedBleeders } from '~core/vehicle/network'
import type { Vehicle } from '~core/vehicle/schema'
import { fleet, isPhysical } from './hidden'
import { looksOnRig } from './looks-on-rig'
import { tablesStand } from './tables-stand'

const [plain, withUnit] = [fleet[3], fleet[0]] as [Vehicle, Vehicle]
const seen = (id: string, cause: Cause | undefined): string[] =>
  [plain, withUnit]
    .filter((vehicle) => cause?.possible?.(traitsOf(vehicle)) ?? true)
    .map((vehicle, i) => {
      const routes = routedBleeders(vehicle).filter(({ part, route }) => part.type === 'wheel-brake' && route)
      const at = routes[i]
      const hidden = {
        vehicle,
        complaint: 'soft-pedal' as const,
        causes: cause ? [cause] : [],
        brake: at?.part.id ?? '',
        bleeder: at?.bleeder.id ?? '',
        severity: 1,
      }
      return looksOnRig[id]?.(hidden, new Chance(7 + i)) ?? ''
    })

test.each(Object.keys(looksOnRig))(
  '%s: what the simulated vehicle shows is likely by the tables too',
  (id) => {
    const check = checkOf(id)
    for (const cause of [...causes.filter(isPhysical), undefined]) {
      const row = (cause && check?.under[cause.id]) ?? check?.otherwise ?? []
      for (const result of seen(id, cause)) {
        if (tablesStand[`${id} ${cause?.id}`]) continue
        const likeliest = Math.max(...row)
        const chance = row[check?.results.indexOf(result) ?? -1] ?? 0
        expect(chance, `${id} under ${cause?.id ?? 'nothing'}: ${result}`).toBeGreaterThanOrEqual(
          likeliest / 4,
        )
      }
    }
  },
)

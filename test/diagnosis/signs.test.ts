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

/** Where the simulated vehicle shows something else than the tables say is likely, and why the tables stand. */
const otherwise: Record<string, string> = {
  'pump-up air-cylinder':
    'four quick presses move too little air out of a cylinder on the rig; in the trade it improves',
  'pump-up air-unit': 'as in the cylinder',
  'three-efforts hose-soft': 'with an eye good to a millimetre, swelling and a little air fit alike',
  'crack-bleeder line-blocked':
    'a line choked to a tenth hardly lets pressure in on the rig, so that nothing is held',
  'hold-firm line-blocked': 'fluid creeps past the choke as long as it is held',
  'return line-blocked': 'as at the bleeder',
  'bubbles air-unit': 'on the rig its air lies in the open passage, not in a closed branch',
  'bubbles bleeder-not-at-top': 'the rig has no top and bottom inside a brake: its air leaves by the bleeder',
  'bubbles cylinder-no-draw': 'the rig’s cylinder is empty after its first strokes, and moves nothing at all',
  'thumb air-cylinder': 'four strokes clear it on the rig',
  'flow line-blocked': 'choked to a tenth nothing comes',
}

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
        if (otherwise[`${id} ${cause?.id}`]) continue
        const likeliest = Math.max(...row)
        const chance = row[check?.results.indexOf(result) ?? -1] ?? 0
        expect(chance, `${id} under ${cause?.id ?? 'nothing'}: ${result}`).toBeGreaterThanOrEqual(
          likeliest / 4,
        )
      }
    }
  },
)

import { expect, test } from 'vitest'
import { Chance } from '~core/base/random'
import { causes } from '~core/diagnosis/causes'
import { checkOf } from '~core/diagnosis/checks'
import { bleederRuns } from '~core/vehicle/network'
import { fleet, type Hidden, isPhysical } from './hidden'
import { looksOnRig } from './looks-on-rig'

test('dump', () => {
  for (const [id, look] of Object.entries(looksOnRig).filter(([x]) =>
    (process.env.LOOKS ?? x).split(',').includes(x),
  )) {
    const check = checkOf(id)
    const t = performance.now()
    let n = 0
    const rows: string[] = []
    for (const cause of [...causes.filter(isPhysical), undefined]) {
      const counts: Record<string, number> = {}
      for (const [v, vehicle] of [...fleet.entries()].slice(0, 2))
        for (const severity of [1]) {
          if (
            cause &&
            !(
              cause.possible?.({
                unit: vehicle.parts.some((p) => p.type === 'control-unit'),
                hoses: true,
              } as never) ?? true
            )
          )
            continue
          const runs = bleederRuns(vehicle).filter(({ part, run }) => part.type === 'wheel-brake' && run)
          const at = runs[v % runs.length]!
          const hidden: Hidden = {
            vehicle,
            complaint: 'soft-pedal',
            causes: cause ? [cause] : [],
            brake: at.part.id,
            bleeder: at.bleeder.id,
            severity,
          }
          const r = look(hidden, new Chance(v))
          n++
          counts[r] = (counts[r] ?? 0) + 1
        }
      const row = (cause && check?.under[cause.id]) ?? check?.otherwise
      rows.push(
        `${cause?.id ?? 'sound'}: ${JSON.stringify(counts)}  table ${check?.results.map((r, i) => r + ' ' + row?.[i]?.toFixed(2)).join(' ')}`,
      )
    }
    console.log(id, ((performance.now() - t) / n).toFixed(0) + ' ms each\n  ' + rows.join('\n  '))
  }
  expect(1).toBe(1)
})

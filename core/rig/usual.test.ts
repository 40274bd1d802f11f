import { describe, expect, test } from 'vitest'
import { carFile, vehicleFrom } from '~test/worlds/vehicles'
import { planOnRig } from '../plan/on-rig'
import { makePlan } from '../plan/plan'
import { type PlanRequest, shopSchema, workSchema } from '../plan/request'
import { examples } from '../vehicle/examples'
import type { Vehicle } from '../vehicle/schema'
import { usual } from './usual'

const example = (name: string): Vehicle => vehicleFrom(structuredClone(examples[name]?.file))
const requestFor = (vehicle: Vehicle, method: string): PlanRequest => ({
  vehicle,
  work: workSchema.parse({ reason: 'service' }),
  shop: shopSchema.parse({ methods: [method] }),
})
/** One wheel and a clutch, fed by a cylinder with a wider bore for the first of its stroke. */
function quickTakeUp(): Vehicle {
  const file = carFile([{ id: 'rr', position: 'rear-right', lengthM: 4, circuit: 'A' }])
  const segments = [{ lengthM: 1, boreMm: 3.34, kind: 'tube' }]
  const slave = { id: 'slave', type: 'clutch-slave', boreMm: 20, strokeMm: 15, bleeders: [{ id: 'cl' }] }
  return vehicleFrom({
    ...file,
    parts: [
      ...file.parts.map((part) =>
        'chambers' in part
          ? {
              ...part,
              chambers: part.chambers?.map((each) => ({ ...each, takeUp: { boreMm: 26, strokeMm: 3 } })),
            }
          : part,
      ),
      slave,
    ],
    lines: [...file.lines, { id: 'clutch', from: 'mc-B', to: 'slave', circuit: 'B', segments }],
  })
}
/** Discs behind a unit by machine; one circuit by foot; a wider bore and a slave. */
const jobs = [
  requestFor(example('doctors-runabout'), 'pressure'),
  requestFor(example('market-three-wheeler'), 'two-person'),
  requestFor(quickTakeUp(), 'two-person'),
]

/** What a plan page would show of each: the worst last drops, what was used, the pedal. */
const shown = () =>
  jobs.map((request) => {
    const rig = planOnRig(request, makePlan(request))
    const [pedal] = Object.values(rig?.pedalMm ?? {})
    return {
      worstPct: Math.max(...Object.values(rig?.oldPct ?? {})),
      usedMl: rig?.usedMl ?? 0,
      pedalMm: pedal?.after ?? 0,
    }
  })
const asItIs = shown()

type Holder = Record<string, number>
const leaves = (holder: object, path: string[] = []): [string, Holder, string][] =>
  Object.entries(holder).flatMap(([key, value]) =>
    typeof value === 'number'
      ? [[[...path, key].join('.'), holder as Holder, key] as [string, Holder, string]]
      : leaves(value, [...path, key]),
  )

describe('half or twice any value from memory moves what is shown by no more than this', () => {
  test.each(leaves(usual))(
    '%s: 1 point of old share, a stroke of 25 mL, 12 mm of pedal',
    (name, holder, key) => {
      const was = holder[key] as number
      // Half of that would run over at MAX. How far apart a line's bends mix it counts for twice as much as all else.
      for (const factor of name === 'brimShare' ? [2] : [0.5, 2]) {
        holder[key] = was * factor
        const now = shown()
        holder[key] = was
        for (const [i, { worstPct, usedMl, pedalMm }] of now.entries()) {
          expect(Math.abs(worstPct - (asItIs[i]?.worstPct ?? 0))).toBeLessThan(name === 'cellMl' ? 2 : 1)
          expect(Math.abs(usedMl - (asItIs[i]?.usedMl ?? 0))).toBeLessThan(25)
          // How far a clutch's slave goes out is its pedal's travel.
          const mostMm = name === 'slave.strokeShare' ? 30 : 12
          expect(Math.abs(pedalMm - (asItIs[i]?.pedalMm ?? 0))).toBeLessThan(mostMm)
        }
      }
    },
  )
})

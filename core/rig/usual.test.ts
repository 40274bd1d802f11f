import { once } from 'node:events'
import { Worker } from 'node:worker_threads'
import { describe, expect, test } from 'vitest'
import { leavesOf } from '~test/worlds/leaves-of'
import { carFile, vehicleFrom } from '~test/worlds/vehicles'
import { planOnRig } from '../plan/on-rig'
import { makePlan } from '../plan/plan'
import { type PlanRequest, shopSchema, workSchema } from '../plan/request'
import { examples } from '../vehicle/examples'
import type { Vehicle } from '../vehicle/schema'
import { usual } from './usual'

const example = (name: string): Vehicle => vehicleFrom(structuredClone(examples[name]?.file))
const requestFor = (
  vehicle: Vehicle,
  methods: readonly string[],
  work: object = { reason: 'service' },
): PlanRequest => ({
  vehicle,
  work: workSchema.parse(work),
  shop: shopSchema.parse({ methods }),
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
  requestFor(example('doctors-runabout'), ['pressure']),
  requestFor(example('market-three-wheeler'), ['two-person']),
  requestFor(quickTakeUp(), ['two-person']),
]
/** For what none of these asks for: a metering valve, a by-wire unit's pump, a vacuum, froth of the vice, air in lines. */
const besides = [
  requestFor(example('mountain-rescue'), ['two-person']),
  requestFor(example('hybrid-taxi'), ['pressure', 'control-unit'], { reason: 'repair', replaced: ['unit'] }),
  requestFor(example('boat-trailer'), ['vacuum']),
  requestFor(example('doctors-runabout'), ['pressure', 'bench'], { reason: 'repair', ranDry: true }),
  requestFor(example('doctors-runabout'), ['pressure', 'bench'], {
    reason: 'repair',
    replaced: ['cylinder'],
  }),
]
const all = [...jobs, ...besides]

const [askedBy] = (await once(
  new Worker(new URL('../../test/worlds/asked-of-usual.ts', import.meta.url), { workerData: all }),
  'message',
)) as [readonly ReadonlySet<string>[]]

/** A value is tried where one of the usual jobs asks for it, else at the others. */
const jobsThatAsk = (name: string): PlanRequest[] => {
  const asks = (request: PlanRequest) => askedBy[all.indexOf(request)]?.has(name)
  const usually = jobs.filter(asks)
  return usually.length > 0 ? usually : besides.filter(asks)
}

/** What a plan page would show of it: the worst last drops, what was used, the pedal. */
function shown(request: PlanRequest) {
  const rig = planOnRig(request, makePlan(request))
  const [pedal] = Object.values(rig?.pedalMm ?? {})
  return {
    worstPct: Math.max(...Object.values(rig?.oldPct ?? {})),
    usedMl: rig?.usedMl ?? 0,
    pedalMm: pedal?.after ?? 0,
  }
}
const asItIs = new Map(all.map((request) => [request, shown(request)]))

/** A full booster, a closed hose and air that rises in a wide bore are no part of a plan: what a fault shows asks for them. */
const OF_FAULTS = ['boost', 'risesMPerS', 'chokeM']

test('every value is asked for by one of these jobs, but for those of faults', () => {
  expect(leavesOf(usual).flatMap(([name]) => (jobsThatAsk(name).length > 0 ? [] : [name]))).toEqual(OF_FAULTS)
})

/** How far apart a line's bends mix it, and when the front of a metering valve flows, count for twice as much as all else. */
const TWICE = ['cellMl', 'metering.openKPa']

describe('half or twice any value from memory moves what is shown by no more than this', () => {
  test.each(leavesOf(usual).filter(([name]) => !OF_FAULTS.includes(name)))(
    '%s: 1 point of old share, a stroke of 25 mL, 12 mm of pedal',
    (name, holder, key) => {
      const was = holder[key] as number
      // Half of that would run over at MAX.
      for (const factor of name === 'brimShare' ? [2] : [0.5, 2])
        for (const request of jobsThatAsk(name)) {
          holder[key] = was * factor
          const { worstPct, usedMl, pedalMm } = shown(request)
          holder[key] = was
          const before = asItIs.get(request)
          expect(Math.abs(worstPct - (before?.worstPct ?? 0))).toBeLessThan(TWICE.includes(name) ? 2 : 1)
          expect(Math.abs(usedMl - (before?.usedMl ?? 0))).toBeLessThan(25)
          // How far a clutch's slave goes out is its pedal's travel.
          const mostMm = name === 'slave.strokeShare' ? 30 : 12
          expect(Math.abs(pedalMm - (before?.pedalMm ?? 0))).toBeLessThan(mostMm)
        }
    },
  )
})

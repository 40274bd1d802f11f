import type { HardUseId } from '~core/fluid/policy/hard-use'
import type { TakenReading } from '~core/fluid/readings'
import type { FluidSpec } from '~core/fluid/specs'

/** Readings and exchanges from before this program's time, as somebody wrote them down; all invented. */
type Earlier = {
  vehicle: string
  hardUse?: HardUseId[]
  exchanges: { daysAgo: number; km?: number; spec: FluidSpec }[]
  readings: (Omit<TakenReading, 'at'> & { daysAgo: number; at?: TakenReading['at'] })[]
}

const percent = (daysAgo: number, value: number, at?: TakenReading['at']) =>
  ({ daysAgo, tester: 'percent-meter', value, at }) as const
const pen = (daysAgo: number, value: 0 | 0.5 | 2 | 3 | 4) =>
  ({ daysAgo, tester: 'banded-pen', value }) as const
const boiled = (daysAgo: number, value: number, at?: TakenReading['at']) =>
  ({ daysAgo, tester: 'boiling-sampler', value, at }) as const

export const earlier: readonly Earlier[] = [
  {
    vehicle: 'post-van-lhd',
    exchanges: [{ daysAgo: 1460, km: 22_300, spec: 'DOT 4' }],
    readings: [
      percent(1260, 0.9),
      percent(1080, 1.6),
      pen(930, 2),
      percent(640, 0.7),
      percent(520, 1.0),
      percent(400, 1.5),
      // The meter's probe was not wiped that day.
      percent(270, 4.2),
      boiled(150, 178, 'caliper'),
    ],
  },
  {
    vehicle: 'courier-motorcycle',
    exchanges: [],
    readings: [percent(300, 0.8), percent(190, 1.3), percent(80, 1.9, 'caliper')],
  },
  {
    vehicle: 'school-minibus',
    exchanges: [{ daysAgo: 620, spec: 'DOT 4' }],
    readings: [percent(430, 0.9), percent(240, 1.4), percent(60, 1.9)],
  },
  {
    vehicle: 'mountain-rescue',
    hardUse: ['mountain', 'towing'],
    exchanges: [{ daysAgo: 350, spec: 'DOT 5.1' }],
    readings: [boiled(180, 231), boiled(20, 214, 'caliper')],
  },
  { vehicle: 'hybrid-taxi', exchanges: [{ daysAgo: 680, spec: 'DOT 4' }], readings: [pen(330, 0.5)] },
  { vehicle: 'farm-quad', exchanges: [], readings: [] },
]

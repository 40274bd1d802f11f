import type { Colour } from '~core/fluid/specs/colour'
import type { Work } from '~core/plan/request'
import type { MethodId } from '~core/technique/technique'

/** One invented job: what was found, and how far it has come. */
export type Story = {
  vehicle: string
  daysAgo: number
  work: Partial<Work> & Pick<Work, 'reason'>
  colour: Colour
  levelMl?: number
  odometerKm: number
  note: string
  /** Where it stands. */
  bay?: string
  waterPct?: number
  /** What the shop could do that day; left out, what it can do now. */
  methods?: MethodId[]
  /** `bleed` stops in the middle of the second bleeder. */
  until: 'check-in' | 'test' | 'plan' | 'bleed' | 'filed'
}

/** Jobs of Gannet Sound Works, an invented repair shed; every person, plate and figure is made up. */
export const history: readonly Story[] = [
  {
    vehicle: 'post-van-lhd',
    daysAgo: 760,
    work: { reason: 'service' },
    colour: 'brown',
    levelMl: 330,
    odometerKm: 61_200,
    note: 'Before the winter round.',
    waterPct: 2.7,
    methods: ['two-person'],
    until: 'filed',
  },
  {
    vehicle: 'courier-motorcycle',
    daysAgo: 398,
    work: { reason: 'service' },
    colour: 'dark',
    odometerKm: 24_800,
    note: 'Lever travel long.',
    waterPct: 3.3,
    until: 'filed',
  },
  {
    vehicle: 'charabanc',
    daysAgo: 190,
    work: { reason: 'repair', replaced: ['rear left drum'] },
    colour: 'amber',
    levelMl: 560,
    odometerKm: 148_020,
    note: 'Wheel cylinder wept at the rear left.',
    waterPct: 1.4,
    until: 'filed',
  },
  {
    vehicle: 'post-van-rhd',
    daysAgo: 2,
    work: { reason: 'repair', replaced: ['cylinder'] },
    colour: 'black',
    levelMl: 240,
    odometerKm: 88_410,
    note: 'Pedal sinks at the ferry ramp, nothing wet outside.',
    bay: 'Bay 1',
    waterPct: 3.6,
    until: 'plan',
  },
  {
    vehicle: 'courier-motorcycle',
    daysAgo: 1,
    work: { reason: 'service' },
    colour: 'brown',
    odometerKm: 39_150,
    note: '',
    until: 'check-in',
  },
  {
    vehicle: 'post-van-lhd',
    daysAgo: 0.1,
    work: {
      reason: 'service',
      ways: [{ technique: 'pump-and-hold', why: 'Pump on loan to the ferry, and a helper is here.' }],
    },
    colour: 'brown',
    levelMl: 300,
    odometerKm: 104_900,
    note: 'Due by time.',
    bay: 'Bay 2',
    waterPct: 3.1,
    until: 'bleed',
  },
]

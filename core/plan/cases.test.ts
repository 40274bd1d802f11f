import { describe, expect, test } from 'vitest'
import { type DemoName, demoVehicle } from '../testing/demo-vehicles'
import type { Plan, StageKind } from './answer'
import { makePlan } from './plan'
import { shopSchema, workSchema } from './request'

/** One worked case: what happened, what the shop has, and what a good technician would say. */
type Case = {
  name: string
  vehicle: DemoName
  work: object
  methods: string[]
  tempC?: number
  stop?: string
  stages?: StageKind[]
  method?: string
  order?: string[]
  cautions?: string[]
  check?: (plan: Plan) => void
}

const van = 'post-van-lhd'
const everything = ['two-person', 'pressure', 'vacuum', 'bench', 'control-unit']

const cases: Case[] = [
  {
    // Nothing was opened: the reservoir first, so that old fluid is not pushed through, then every bleeder.
    name: 'routine exchange of the van by machine',
    vehicle: van,
    work: { reason: 'service' },
    methods: ['pressure'],
    stages: ['reservoir-exchange', 'bleed', 'prove'],
    method: 'pressure',
    order: ['RR', 'RL', 'FR', 'FL'],
    cautions: ['machine-pressure-off', 'parking-brake-caliper'],
    check: ({ pressureKPa, vacuumKPa }) => {
      expect(pressureKPa).toBe(100)
      expect(vacuumKPa).toBeUndefined()
    },
  },
  {
    // One caliper: its own bleeder, no reservoir exchange, the joint looked at, and the pedal decides.
    name: 'one caliper replaced',
    vehicle: van,
    work: { reason: 'repair', replaced: ['front left brake'] },
    methods: ['two-person'],
    stages: ['bleed', 'leak-check', 'prove'],
    order: ['FL'],
    cautions: ['vacuum-booster'],
    check: ({ fluid }) => expect(fluid.reservoirMl).toBe(0),
  },
  {
    // A new cylinder is full of air, and air under the bench kit is cheaper to drive out than through four wheels.
    name: 'master cylinder replaced, bench kit at hand',
    vehicle: van,
    work: { reason: 'repair', replaced: ['cylinder'] },
    methods: everything,
    stages: ['reservoir-exchange', 'bench-bleed', 'bleed', 'leak-check', 'prove'],
  },
  {
    // Without a kit the same air is let out at its ports, which two people can always do.
    name: 'master cylinder replaced, no bench kit',
    vehicle: van,
    work: { reason: 'repair', replaced: ['cylinder'] },
    methods: ['two-person'],
    stages: ['reservoir-exchange', 'port-bleed', 'bleed', 'leak-check', 'prove'],
  },
  {
    // Its valves hide air until they are worked, and working them before the base bleed locks air in.
    name: 'used control unit fitted',
    vehicle: van,
    work: { reason: 'repair', replaced: ['unit'] },
    methods: everything,
    stages: [
      'reservoir-exchange',
      'bleed',
      'control-unit',
      'bleed',
      'control-unit',
      'bleed',
      'leak-check',
      'prove',
    ],
    cautions: ['unit-unpowered'],
    check: ({ stages, fluid }) => {
      const [first, second, third] = stages.filter(({ kind }) => kind === 'bleed')
      expect(second?.ml).toBeLessThan(first?.ml ?? 0)
      expect(third?.ml).toBeCloseTo(second?.ml ?? 0, 9)
      expect(fluid.perBleederMl.RR).toBeCloseTo(
        (first?.mlByBleeder?.RR ?? 0) + 2 * (second?.mlByBleeder?.RR ?? 0),
        9,
      )
    },
  },
  {
    name: 'used control unit fitted, no scan tool',
    vehicle: van,
    work: { reason: 'repair', replaced: ['unit'] },
    methods: ['two-person', 'bench'],
    stop: 'control-unit-tool-missing',
  },
  {
    // Rotted lines: the system is empty, so it is filled slowly; the unit ran dry with the rest.
    name: 'lines renewed, system empty',
    vehicle: van,
    work: { reason: 'repair', replaced: ['rear left line', 'rear right line'], systemEmpty: true },
    methods: everything,
    stages: [
      'slow-fill',
      'wait',
      'port-bleed',
      'bleed',
      'control-unit',
      'bleed',
      'control-unit',
      'bleed',
      'leak-check',
      'prove',
    ],
    check: ({ fluid }) => expect(fluid.reservoirMl).toBe(390),
  },
  {
    name: 'silicone found where glycol belongs',
    vehicle: van,
    work: { reason: 'service', fluidFound: 'DOT 5' },
    methods: everything,
    stop: 'fluid-incompatible',
  },
  {
    // Settled as a conversion: wiped, every bleeder, 1 %, which wants five volumes instead of 2.24.
    name: 'the same, converted',
    vehicle: van,
    work: { reason: 'conversion', fluidFound: 'DOT 5' },
    methods: everything,
    stages: ['wipe-reservoir', 'bleed', 'prove'],
    cautions: ['conversion-flush'],
    check: ({ fluid }) => {
      const routine = makePlan({
        vehicle: demoVehicle(van),
        work: workSchema.parse({ reason: 'service' }),
        shop: shopSchema.parse({ methods: everything }),
      })
      expect((fluid.perBleederMl.RR ?? 0) / (routine.fluid.perBleederMl.RR ?? 1)).toBeCloseTo(
        5 / (1 / (2 * Math.sqrt(0.05))),
        6,
      )
      expect(fluid.reservoirMl).toBe(780)
    },
  },
  {
    // DOT 3 in a DOT 4 van mixes; it is weaker, so it is exchanged, but nothing stops the work.
    name: 'a weaker glycol found',
    vehicle: van,
    work: { reason: 'service', fluidFound: 'DOT 3' },
    methods: ['vacuum'],
    stages: ['reservoir-exchange', 'bleed', 'prove'],
    method: 'vacuum',
  },
  {
    // An old brass cap and a residual valve: no hard pressure, no gravity; two people at the pedal.
    name: 'charabanc, old cap',
    vehicle: 'charabanc',
    work: { reason: 'service' },
    methods: ['two-person', 'pressure', 'gravity'],
    stages: ['reservoir-exchange', 'bleed', 'prove'],
    method: 'two-person',
    order: ['RL', 'RR', 'FL', 'FR'],
    cautions: ['residual-valve', 'adjust-drums', 'single-circuit'],
    check: ({ methodsRejected }) =>
      expect(methodsRejected.find(({ method }) => method === 'gravity')?.code).toBe('residual-valve-blocks'),
  },
  {
    // Nothing but the machine: then low, and said to be doubtful.
    name: 'charabanc, only a pressure machine',
    vehicle: 'charabanc',
    work: { reason: 'service' },
    methods: ['pressure'],
    method: 'pressure',
    cautions: ['cap-seal-doubtful'],
    check: ({ pressureKPa }) => expect(pressureKPa).toBe(50),
  },
  {
    name: 'charabanc, only gravity',
    vehicle: 'charabanc',
    work: { reason: 'service' },
    methods: ['gravity'],
    stop: 'no-method-fits',
  },
  {
    // The rear hydraulics of a motorcycle have their own cylinder: a new lever cylinder does not concern them.
    name: 'motorcycle, lever cylinder replaced',
    vehicle: 'courier-motorcycle',
    work: { reason: 'repair', replaced: ['lever cylinder'] },
    methods: everything,
    stages: ['reservoir-exchange', 'bench-bleed', 'bleed', 'leak-check', 'prove'],
    order: ['F'],
    cautions: ['hollow-bolt'],
    check: ({ topUpEvery }) => {
      // 45 − 20 mL over π/4·14²·11 mm³ = 1.69 mL a stroke.
      expect(topUpEvery).toEqual({ reservoir: 'front reservoir', strokes: 14, ml: 25 })
    },
  },
  {
    // Both reservoirs are used; the rear one, 22 mL over 1.52 mL a stroke, is at MIN after 14 strokes as well.
    name: 'motorcycle, routine',
    vehicle: 'courier-motorcycle',
    work: { reason: 'service' },
    methods: ['two-person', 'pressure'],
    method: 'two-person',
    order: ['F', 'R'],
    check: ({ methodsRejected, topUpEvery }) => {
      expect(methodsRejected.find(({ method }) => method === 'pressure')?.code).toBe(
        'pressure-not-on-this-kind',
      )
      expect(topUpEvery).toEqual({ reservoir: 'rear reservoir', strokes: 14, ml: 22 })
    },
  },
  {
    name: 'nobody to help and nothing at hand',
    vehicle: van,
    work: { reason: 'service' },
    methods: [],
    stop: 'no-method',
  },
]

describe('worked cases (common practice)', () => {
  test.each(cases)(
    '$name',
    ({ vehicle, work, methods, tempC, stop, stages, method, order, cautions, check }) => {
      const plan = makePlan({
        vehicle: demoVehicle(vehicle),
        work: workSchema.parse(work),
        shop: shopSchema.parse({ methods, tempC }),
      })
      expect(plan.stops.map(({ code }) => code)).toEqual(stop ? [stop] : [])
      expect(plan.verdict).toBe(stop ? 'stop' : 'go')
      const bleed = plan.stages.find(({ kind }) => kind === 'bleed')
      if (stages) expect(plan.stages.map(({ kind }) => kind)).toEqual(stages)
      if (method) expect(bleed?.method).toBe(method)
      if (order) expect(bleed?.order).toEqual(order)
      if (cautions) expect(plan.cautions.map(({ code }) => code)).toEqual(expect.arrayContaining(cautions))
      check?.(plan)
    },
  )
})

import { everything, type PlanCase } from './case'

/** Something was opened, replaced, or ran dry. */
export const repairCases: PlanCase[] = [
  {
    name: 'one caliper replaced',
    reasoning: 'Its own bleeder, no reservoir exchange, the joint looked at, and the pedal decides.',
    vehicle: 'post-van-lhd',
    work: { reason: 'repair', replaced: ['front left brake'] },
    shop: { methods: ['two-person'] },
    expect: {
      stages: ['bleed: pump-and-hold', 'leak-check', 'prove'],
      order: ['FL'],
      reasons: ['scope-local', 'joints-opened'],
      cautions: ['vacuum-booster', 'leak-face'],
    },
  },
  {
    name: 'one pipe renewed on a car with one circuit',
    reasoning: 'The same, and any leak there is total loss: the caution stands at the proof.',
    vehicle: 'smithy-roadster',
    work: { reason: 'repair', replaced: ['front left pipe'] },
    shop: { methods: ['two-person'] },
    expect: {
      stages: ['bleed: pump-and-hold', 'leak-check', 'prove'],
      order: ['FL'],
    },
  },
  {
    name: 'the same in a shop that bleeds everything after any joint',
    reasoning:
      'The shop’s school, not the joint, makes it the whole car; the clutch shares the reservoir and comes last.',
    vehicle: 'smithy-roadster',
    work: { reason: 'repair', replaced: ['front left pipe'] },
    shop: { methods: ['two-person'], scopeSchool: 'whole' },
    expect: {
      stages: ['reservoir-exchange', 'bleed: pump-and-hold', 'leak-check', 'prove'],
      order: ['RR', 'RL', 'FR', 'FL', 'CL'],
      reasons: ['scope-school-whole'],
    },
  },
  {
    name: 'master cylinder replaced, bench kit at hand',
    reasoning:
      'A new cylinder is full of air, and air under the kit is cheaper to drive out than through four wheels.',
    vehicle: 'post-van-lhd',
    work: { reason: 'repair', replaced: ['cylinder'] },
    shop: { methods: everything },
    expect: {
      stages: ['reservoir-exchange', 'bench-bleed: bench-kit', 'bleed: pressure', 'leak-check', 'prove'],
      steps: ['vice', 'hoses', 'fit', 'loss'],
      notTaken: { fingers: 'costs-more', 'ports-helper': 'costs-more' },
    },
  },
  {
    name: 'the kit lent out',
    reasoning: 'Fingers over the ports do the same, wetter and slower.',
    vehicle: 'post-van-lhd',
    work: { reason: 'repair', replaced: ['cylinder'] },
    shop: { methods: everything, lacks: ['bench-kit'] },
    expect: {
      stages: ['reservoir-exchange', 'bench-bleed: fingers', 'bleed: pressure', 'leak-check', 'prove'],
      notTaken: { 'bench-kit': 'equipment-missing' },
    },
  },
  {
    name: 'no vice at all',
    reasoning: 'The same air is let out at its ports, which two people can always do.',
    vehicle: 'post-van-lhd',
    work: { reason: 'repair', replaced: ['cylinder'] },
    shop: { methods: ['two-person'] },
    expect: {
      stages: [
        'reservoir-exchange',
        'port-bleed: ports-helper',
        'bleed: pump-and-hold',
        'leak-check',
        'prove',
      ],
    },
  },
  {
    name: 'nobody to help and a cylinder to bleed',
    reasoning:
      'A prop holds the pedal while each nut is cracked, and comes out again. The clutch slave is no concern: only the brake’s cylinder was opened, on the reservoir they share.',
    vehicle: 'coastguard-saloon',
    work: { reason: 'repair', replaced: ['brake cylinder'] },
    shop: { methods: ['solo'], helpers: 0 },
    expect: {
      stages: ['reservoir-exchange', 'port-bleed: ports-prop', 'bleed: check-valve', 'leak-check', 'prove'],
      steps: ['prop', 'prop-out'],
      notTaken: { 'ports-helper': 'nobody-to-help' },
    },
  },
  {
    name: 'the lever cylinder of a motorcycle replaced',
    reasoning: 'Front and rear are separate hydraulics: a new lever cylinder does not concern the rear.',
    vehicle: 'courier-motorcycle',
    work: { reason: 'repair', replaced: ['lever cylinder'] },
    shop: { methods: everything },
    expect: {
      stages: ['reservoir-exchange', 'bench-bleed: bench-kit', 'bleed: vacuum', 'leak-check', 'prove'],
      order: ['F'],
      cautions: ['hollow-bolt'],
    },
  },
  {
    name: 'a used control unit fitted',
    reasoning:
      'Its valves hide air until they are worked, and working them before the base bleed locks air in: unplugged until then, plugged in for its cycles, battery supported, connectors counted back.',
    vehicle: 'post-van-lhd',
    work: { reason: 'repair', replaced: ['unit'] },
    shop: { methods: everything },
    expect: {
      stages: [
        'reservoir-exchange',
        'bleed: pressure',
        'control-unit: cycle',
        'bleed: pressure',
        'control-unit: cycle',
        'bleed: pressure',
        'leak-check',
        'prove',
      ],
      steps: ['unpower-unit', 'power-unit', 'battery-off', 'connectors-back'],
      cautions: ['unit-unpowered'],
      reasons: ['unit-cycles', 'base-bleed-again'],
    },
  },
  {
    name: 'a control unit that is bled wheel by wheel',
    reasoning: 'Base bleed, then its own routine at every wheel, one person; a base bleed after it.',
    vehicle: 'electric-post-van',
    work: { reason: 'repair', replaced: ['unit'] },
    shop: { methods: ['pressure', 'control-unit'] },
    expect: {
      stages: [
        'reservoir-exchange',
        'bleed: pressure',
        'control-unit: wheel-by-wheel',
        'bleed: pressure',
        'leak-check',
        'prove',
      ],
      order: ['RL', 'RR', 'FL', 'FR'],
      steps: ['service-mode', 'unpower-unit', 'power-unit', 'connectors-back', 'service-mode-out'],
    },
  },
  {
    name: 'a brake-by-wire unit replaced',
    reasoning:
      'Fronts and simulator by pedal with the unit unplugged, then the unit drives its rears, then the fronts again. Accumulator empty first. Two things unplugged, two counted back.',
    vehicle: 'hybrid-taxi',
    work: { reason: 'repair', replaced: ['unit'] },
    shop: { methods: ['two-person', 'control-unit'] },
    expect: {
      stages: [
        'reservoir-exchange',
        'bleed: pump-and-hold',
        'control-unit: maker-led',
        'bleed: pump-and-hold',
        'leak-check',
        'prove',
      ],
      order: ['FR', 'FL', 'S', 'RR', 'RL'],
      steps: [
        'accumulator',
        'unpower-unit',
        'level-sensor-off',
        'power-unit',
        'level-sensor-back',
        'battery-off',
        'connectors-back',
      ],
    },
  },
  {
    name: 'one rear pipe of a brake-by-wire car',
    reasoning: 'That wheel hangs on the unit’s pump: its routine bleeds it, and no pedal is pressed for it.',
    vehicle: 'hybrid-taxi',
    work: { reason: 'repair', replaced: ['rear left pipe'] },
    shop: { methods: ['two-person', 'control-unit'] },
    expect: {
      stages: ['control-unit: maker-led', 'leak-check', 'prove'],
      order: ['RL'],
      reasons: ['unit-drives-brakes'],
    },
  },
  {
    name: 'a control unit to be worked, and no battery supply',
    reasoning: 'A routine that stops half-way leaves valves where they should not be: the supply first.',
    vehicle: 'parcel-van',
    work: { reason: 'repair', replaced: ['unit'] },
    shop: { methods: everything, lacks: ['battery-support'] },
    expect: { stops: ['unit-routine-unfit'], notTaken: { cycle: 'equipment-missing' } },
  },
  {
    name: 'the reservoir ran dry',
    reasoning:
      'The cylinder drew air: at its ports first, then every wheel. No joint was opened, so none is looked at.',
    vehicle: 'doctors-runabout',
    work: { reason: 'repair', ranDry: true },
    shop: { methods: ['two-person'] },
    expect: {
      stages: ['reservoir-exchange', 'port-bleed: ports-helper', 'bleed: pump-and-hold', 'prove'],
      order: ['RR', 'RL', 'FR', 'FL'],
    },
  },
  {
    name: 'rotted lines renewed, system empty',
    reasoning:
      'Filled slowly and left until the air has risen; then the cylinder, every wheel, and the unit, which ran dry with the rest.',
    vehicle: 'post-van-lhd',
    work: { reason: 'repair', replaced: ['rear left line', 'rear right line'], systemEmpty: true },
    shop: { methods: everything },
    expect: {
      stages: [
        'slow-fill',
        'wait',
        'port-bleed: ports-helper',
        'bleed: pressure',
        'control-unit: cycle',
        'bleed: pressure',
        'control-unit: cycle',
        'bleed: pressure',
        'leak-check',
        'prove',
      ],
      reasons: ['fill-slowly', 'scope-system-empty'],
    },
  },
]

import { type PlanCase, twoSystemsByFoot } from './case'

/** Nothing opened: the reservoir first, so that old fluid is not pushed through, then every bleeder. */
export const exchangeCases: PlanCase[] = [
  {
    name: 'the van, by machine',
    reasoning: 'Sound cap, adapter at hand: steady pressure, one person, furthest first.',
    vehicle: 'post-van-lhd',
    work: { reason: 'service' },
    shop: { methods: ['pressure'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: pressure', 'prove'],
      order: ['RR', 'RL', 'FR', 'FL'],
      steps: ['lever-released', 'adapter', 'pressurise', 'depressurise', 'adapter-off', 'draw-to-max'],
      cautions: ['machine-pressure-off', 'parking-brake-caliper'],
      reasons: ['draw-down-saves', 'purge-target', 'top-up-never-below-min'],
      pressureKPa: 100,
    },
  },
  {
    name: 'a weaker glycol found',
    reasoning:
      'DOT 3 in a DOT 4 van mixes with it; it is only weaker, so it is exchanged and nothing stops the work.',
    vehicle: 'post-van-lhd',
    work: { reason: 'service', fluidFound: 'DOT 3' },
    shop: { methods: ['vacuum'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: vacuum', 'prove'],
      cautions: ['vacuum-false-bubbles', 'vacuum-mist'],
    },
  },
  {
    name: 'the van with new front pads, full to MAX over worn ones',
    reasoning:
      'Topped up as the pads wore: what the pistons hold comes up and has no room. So much is drawn first, then the pistons go home, then the old fluid is drawn and exchanged as ever; the brakes hold less, so less goes through them. Seated before the proof, and the level looked at.',
    vehicle: 'post-van-lhd',
    work: {
      reason: 'service',
      pistonsHome: ['front left brake', 'front right brake'],
      padWearMm: { 'front left brake': 10, 'front right brake': 10 },
    },
    shop: { methods: ['two-person'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: pump-and-hold', 'prove'],
      steps: ['pistons-room reservoir', 'pistons-home reservoir', 'draw', 'pistons-seated'],
      reasons: ['pistons-home', 'reservoir-first'],
    },
  },
  {
    name: 'the charabanc, an old cap and drums all round',
    reasoning:
      'An old brass cap and a residual valve: no hard pressure, no gravity. Two people at the pedal, shoes adjusted first. Built in 1961, it has no booster to be used up. One circuit, so any doubt blocks release.',
    vehicle: 'charabanc',
    work: { reason: 'service' },
    shop: { methods: ['two-person', 'pressure', 'gravity'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: pump-and-hold', 'prove'],
      order: ['RL', 'RR', 'FL', 'FR'],
      steps: ['adjust-shoes'],
      cautions: ['residual-valve', 'adjust-drums', 'single-circuit'],
      notTaken: { gravity: 'residual-valve-blocks', pressure: 'costs-more' },
    },
  },
  {
    name: 'the charabanc, nothing but a machine',
    reasoning: 'Then low, and said to be doubtful.',
    vehicle: 'charabanc',
    work: { reason: 'service' },
    shop: { methods: ['pressure'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: pressure', 'prove'],
      cautions: ['cap-seal-doubtful'],
      pressureKPa: { atMost: 55 },
    },
  },
  {
    name: 'a motorcycle, front and rear',
    reasoning:
      'Two small reservoirs under bolted lids: no pressure adapter fits. The bars are turned so that the hollow bolt is on top. The front is finished and put together before the rear is opened.',
    vehicle: 'courier-motorcycle',
    work: { reason: 'service' },
    shop: { methods: ['two-person', 'pressure'] },
    expect: {
      stages: twoSystemsByFoot,
      order: ['F', 'R'],
      steps: ['bars'],
      notTaken: { pressure: 'pressure-not-on-this-kind' },
    },
  },
  {
    name: 'a lorry with a long body, by vacuum',
    reasoning:
      'The axle with two brakes a side first, the longest pipe before the others; each front caliper its lower bleeder, then its upper.',
    vehicle: 'coal-lorry',
    work: { reason: 'service' },
    shop: { methods: ['vacuum'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: vacuum', 'prove'],
      order: ['RLA', 'RLF', 'RRA', 'RRF', 'FL1', 'FL2', 'FR1', 'FR2'],
      steps: ['adjust-shoes', 'vacuum'],
    },
  },
  {
    name: 'a boat trailer',
    reasoning:
      'Its actuator is stroked at the coupling by a second person, with the reverse lockout released and set back. Long pipes: aft axle first.',
    vehicle: 'boat-trailer',
    work: { reason: 'service' },
    shop: { methods: ['two-person', 'gravity'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: pump-and-hold', 'prove'],
      order: ['AR', 'AL', 'FR', 'FL'],
      steps: ['lockout', 'adjust-shoes', 'lockout-back'],
      cautions: ['trailer-hydraulics', 'residual-valve'],
      notTaken: { gravity: 'residual-valve-blocks' },
    },
  },
  {
    name: 'a motorcycle with linked brakes',
    reasoning:
      'A brake at a time, its lower bleeder first, whichever cylinder feeds it: furthest brake first.',
    vehicle: 'touring-linked',
    work: { reason: 'service' },
    shop: { methods: ['two-person'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: pump-and-hold', 'prove'],
      order: ['FR lever', 'FR pedal', 'FL lever', 'FL pedal', 'R pedal', 'R link'],
    },
  },
  {
    name: 'a minibus and nobody to help',
    reasoning: 'A check valve in the hose; the hose cannot be seen from the seat, so strokes are counted.',
    vehicle: 'school-minibus',
    work: { reason: 'service' },
    shop: { methods: ['solo', 'two-person'], helpers: 0 },
    expect: {
      stages: ['reservoir-exchange', 'bleed: check-valve', 'prove'],
      order: ['RR', 'RL', 'FRI', 'FRO', 'FLI', 'FLO'],
      steps: ['lever-released', 'booster'],
      notTaken: { 'pump-and-hold': 'nobody-to-help', 'raised-bottle': 'costs-more' },
    },
  },
  {
    name: 'an electric van on the exchange machine',
    reasoning:
      'Electric parking brake: into service mode before anything, out of it and calibrated before the proof.',
    vehicle: 'electric-post-van',
    work: { reason: 'service' },
    shop: { methods: ['pressure-vacuum'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: pressure-vacuum', 'prove'],
      order: ['RL', 'RR', 'FL', 'FR'],
      steps: ['service-mode', 'vacuum', 'pressurise', 'depressurise', 'service-mode-out'],
      cautions: ['electric-parking-brake', 'never-above-rating'],
      pressureKPa: 100,
    },
  },
  {
    name: 'time until tomorrow, and two bleeders on each front caliper',
    reasoning:
      'Nothing in the lines holds fluid back: it may run by itself overnight, a bottle at every bleeder.',
    vehicle: 'regatta-coupe',
    work: { reason: 'service' },
    shop: { methods: ['gravity'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: gravity', 'prove'],
      order: ['RR', 'RL', 'FRA', 'FRB', 'FLA', 'FLB'],
      steps: ['bottles'],
    },
  },
  {
    name: 'a three-wheeler with one circuit',
    reasoning: 'Drums adjusted first; a single circuit, so any leak is total loss.',
    vehicle: 'market-three-wheeler',
    work: { reason: 'service' },
    shop: { methods: ['two-person'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: pump-and-hold', 'prove'],
      order: ['RR', 'RL', 'F'],
      steps: ['adjust-shoes', 'booster'],
      cautions: ['single-circuit'],
    },
  },
  {
    name: 'a rescue motorcycle whose unit has bleeders of its own',
    reasoning:
      'Front and rear share nothing but the unit’s housing: the rear’s bleeder on the unit, then its wheel; then the front’s, then its wheels. Nothing was opened, so its routine is not run.',
    vehicle: 'rescue-motorcycle',
    work: { reason: 'service' },
    shop: { methods: ['two-person', 'control-unit'] },
    expect: {
      stages: twoSystemsByFoot,
      order: ['UR', 'R', 'UF', 'FR', 'FL'],
    },
  },
  {
    name: 'two front discs on one lever',
    reasoning:
      'The caliper further along the hose first, then the nearer; the rear has its own pedal and reservoir, and its turn comes when the front is done. Nothing but hands and a helper.',
    vehicle: 'courier-twin-disc',
    work: { reason: 'service' },
    shop: { methods: ['two-person'] },
    expect: {
      stages: twoSystemsByFoot,
      order: ['FR', 'FL', 'R'],
      steps: ['bars'],
    },
  },
  {
    name: 'a right-hand-drive car on the machine',
    reasoning: 'The reservoir’s side decides, not habit: rear left is the longest run here.',
    vehicle: 'doctors-runabout-rhd',
    work: { reason: 'service' },
    shop: { methods: ['pressure'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: pressure', 'prove'],
      order: ['RL', 'RR', 'FL', 'FR'],
      steps: ['adjust-shoes', 'adapter', 'adapter-off'],
    },
  },
  {
    name: 'a compact with an old push-on cap, one person and a pump',
    reasoning: 'The aged cap takes no pressure worth having, so vacuum; rear drums are adjusted first.',
    vehicle: 'ferry-hand-compact',
    work: { reason: 'service' },
    shop: { methods: ['pressure', 'vacuum'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: vacuum', 'prove'],
      order: ['RR', 'RL', 'FR', 'FL'],
      steps: ['adjust-shoes', 'vacuum'],
      cautions: ['vacuum-false-bubbles'],
      notTaken: { pressure: 'costs-more' },
    },
  },
  {
    name: 'a fire tender with two reservoirs and two cylinders in each front drum',
    reasoning:
      'The valve’s bleeder is upstream and first, with the axle loaded; then by length. Both reservoirs are exchanged, and the one that runs low first counts.',
    vehicle: 'fire-tender',
    work: { reason: 'service' },
    shop: { methods: ['two-person'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: pump-and-hold', 'prove'],
      order: ['LSV', 'RL', 'RR', 'FLU', 'FLL', 'FRU', 'FRL'],
      steps: ['load-axle', 'adjust-shoes', 'booster', 'unload-axle'],
    },
  },
  {
    name: 'a motorcycle and sidecar',
    reasoning:
      'The sidecar’s brake hangs on the rear pedal and is the furthest of all: that pedal’s system is finished before the lever’s is opened.',
    vehicle: 'post-sidecar',
    work: { reason: 'service' },
    shop: { methods: ['two-person'] },
    expect: {
      stages: twoSystemsByFoot,
      order: ['SC', 'R', 'F'],
    },
  },
]

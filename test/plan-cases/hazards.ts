import { everything, type PlanCase, twoSystemsByFoot } from './case'

/** One for every hazard that changes the work. */
export const hazardCases: PlanCase[] = [
  {
    name: 'an old cap and nothing but a pressure machine',
    reasoning:
      'The seal is aged, so 35 to 55 kPa and an eye on it; 100 would lift it and paint the engine bay. A brake at a time, lower bleeder first.',
    vehicle: 'regatta-coupe',
    work: { reason: 'service' },
    shop: { methods: ['pressure'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: pressure', 'prove'],
      order: ['RR', 'RL', 'FRA', 'FRB', 'FLA', 'FLB'],
      steps: ['adapter', 'pressurise', 'depressurise', 'adapter-off'],
      cautions: ['cap-seal-doubtful', 'machine-pressure-off'],
      pressureKPa: { atMost: 55 },
    },
  },
  {
    name: 'a metering valve on the machine',
    reasoning:
      'At the machine’s pressure the valve shuts the fronts off. It is held open with the maker’s tool before pressure goes on, and freed again after: a valve left propped locks the fronts in the wet. The maker’s order stands.',
    vehicle: 'mountain-rescue',
    work: { reason: 'service' },
    shop: { methods: ['pressure'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: pressure', 'prove'],
      order: ['FR', 'FL', 'RR', 'RL'],
      steps: ['hold-metering', 'pressurise', 'depressurise', 'free-metering', 'centre-switch'],
      cautions: ['metering-valve', 'pressure-difference-switch'],
    },
  },
  {
    name: 'the same without the tool that holds the valve',
    reasoning:
      'No tool, no pressure: the fronts would get nothing. Below the valve’s closing point the pedal passes it, so two people do it.',
    vehicle: 'mountain-rescue',
    work: { reason: 'service' },
    shop: { methods: ['pressure', 'two-person'], lacks: ['metering-tool'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: pump-and-hold', 'prove'],
      notTaken: { pressure: 'metering-valve-shut' },
    },
  },
  {
    name: 'a load-sensing valve and rear drums',
    reasoning:
      'On the hoist the axle hangs and the valve shuts, so the axle is loaded or its lever held. Shoes are adjusted before anything is judged. The valve’s own bleeder is upstream: first.',
    vehicle: 'ferry-estate',
    work: { reason: 'service' },
    shop: { methods: ['two-person'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: pump-and-hold', 'prove'],
      order: ['LSV', 'RR', 'RL', 'FR', 'FL'],
      steps: ['load-axle', 'adjust-shoes', 'booster', 'unload-axle'],
      cautions: ['load-sensing-valve', 'adjust-drums'],
    },
  },
  {
    name: 'a quick-take-up cylinder and two people',
    reasoning:
      'Pumping quickly only stirs its large bore: one slow stroke with the bleeder open, then a quarter of a minute until the next. The unit’s own bleeder first, then by length: the left rear pipe is the longer.',
    vehicle: 'quarry-pickup',
    work: { reason: 'service' },
    shop: { methods: ['two-person'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: press-through', 'prove'],
      order: ['U', 'RL', 'RR', 'FR', 'FL'],
      cautions: ['quick-take-up', 'adjust-drums'],
      notTaken: { 'pump-and-hold': 'no-fast-pumping' },
    },
  },
  {
    name: 'brake by wire, routine',
    reasoning:
      'The rears hang on the unit’s own pump: no foot moves fluid there. The unit does them, fast, with the level sensor unplugged so that it does not stop; then the fronts by pedal, and the simulator, and the fronts again under its pressure; last its own run, with every bleeder shut, the refill and the calibrations. Accumulator empty before the level is read, and let down anew before each opening: the routine charges it again; parking brake in service mode and out, sensor back, all connectors counted.',
    vehicle: 'hybrid-taxi',
    work: { reason: 'service' },
    shop: { methods: ['two-person', 'control-unit'] },
    expect: {
      stages: [
        'reservoir-exchange',
        'control-unit: maker-led',
        'bleed: pump-and-hold',
        'bleed: pump-and-hold',
        'control-unit: maker-led',
        'prove',
      ],
      order: ['RR', 'RL', 'FR', 'FL', 'S'],
      steps: [
        'service-mode',
        'accumulator',
        'accumulator',
        'battery',
        'procedure-unplug',
        'procedure-bottle-on',
        'accumulator',
        'accumulator',
        'procedure-bottle-off',
        'procedure-fill',
        'procedure-ignition-off',
        'procedure-plug-back',
        'battery-off',
        'connectors-back',
        'service-mode-out',
      ],
      cautions: ['by-wire-hands-off', 'electric-parking-brake'],
    },
  },
  {
    name: 'a bleeder that is not at the top',
    reasoning:
      'No amount of bleeding gets that air out: hang the caliper with a spacer, bleed, and put it back. It is the rear one, and that system comes first; the bars matter for the lever’s alone.',
    vehicle: 'forest-quad',
    work: { reason: 'service' },
    shop: { methods: ['two-person'] },
    expect: {
      stages: twoSystemsByFoot,
      order: ['R', 'FR', 'FL'],
      steps: ['hang-caliper', 'refit-caliper', 'bars'],
      cautions: ['bleeder-not-at-top'],
    },
  },
  {
    name: 'silicone in a glycol car with a clutch on the same reservoir',
    reasoning:
      'Settled as a conversion: emptied, wiped, worked through and emptied again. The clutch first, since its old fluid would come back up into a clean reservoir; its concentric slave wants no fast pumping. Sound cap, so the machine. The unit’s closed branches hold wrong fluid too: its routine lets it out, a bleed carries it away.',
    vehicle: 'coastguard-saloon',
    work: { reason: 'conversion', fluidFound: 'DOT 5' },
    shop: { methods: everything },
    expect: {
      stages: [
        'wipe-reservoir',
        'bleed: pressure',
        'control-unit: cycle',
        'bleed: pressure',
        'control-unit: cycle',
        'bleed: pressure',
        'prove',
      ],
      order: ['CL', 'RL', 'RR', 'FL', 'FR'],
      cautions: ['conversion-flush', 'concentric-slave'],
      notTaken: { 'pump-and-hold': 'no-fast-pumping' },
      pressureKPa: 100,
    },
  },
  {
    name: 'a frosty shed and nobody to help',
    reasoning:
      'At 2 °C the fluid is too thick to run by itself. One person with a check valve at the lever, a brake at a time.',
    vehicle: 'farm-quad',
    work: { reason: 'service' },
    shop: { methods: ['gravity', 'solo', 'two-person'], helpers: 0, tempC: 2 },
    expect: {
      stages: ['reservoir-exchange', 'bleed: check-valve', 'prove'],
      order: ['R', 'FR', 'FL'],
      notTaken: { gravity: 'shop-too-cold', 'pump-and-hold': 'nobody-to-help' },
    },
  },
]

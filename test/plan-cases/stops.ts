import { everything, type PlanCase } from './case'

/** One for every stop. */
export const stopCases: PlanCase[] = [
  {
    name: 'nothing at hand',
    reasoning: 'Without any way to move fluid there is nothing to plan; the shop has to name one first.',
    vehicle: 'doctors-runabout',
    work: { reason: 'service' },
    shop: { methods: [] },
    expect: { stops: ['no-method'] },
  },
  {
    name: 'only gravity and a syringe, and a valve that passes neither',
    reasoning:
      'The cylinder holds 80 kPa back in the lines. Half a metre of fluid gives 6, and nothing comes back up through the valve, so neither way can work.',
    vehicle: 'chapel-saloon',
    work: { reason: 'service' },
    shop: { methods: ['gravity', 'reverse'] },
    expect: {
      stops: ['no-method-fits'],
      notTaken: { gravity: 'residual-valve-blocks', reverse: 'residual-valve-blocks' },
    },
  },
  {
    name: 'nobody knows what is in it',
    reasoning: 'Two kinds that do not mix ruin every seal. A drop in water is cheaper than a set of seals.',
    vehicle: 'school-minibus',
    work: { reason: 'service', fluidFound: 'unknown' },
    shop: { methods: everything },
    expect: { stops: ['fluid-unknown'] },
  },
  {
    name: 'silicone in a glycol car, booked as a routine exchange',
    reasoning:
      'Silicone and glycol never mix. This is no exchange any more: it is a conversion, and somebody must decide that.',
    vehicle: 'coastguard-saloon',
    work: { reason: 'service', fluidFound: 'DOT 5' },
    shop: { methods: everything },
    expect: { stops: ['fluid-incompatible'] },
  },
  {
    name: 'a used control unit fitted, and no scan tool',
    reasoning:
      'Its valves hold air until they are worked, and only the tool can work them. Bleeding it without is a car with a good pedal until the first time the unit acts.',
    vehicle: 'parcel-van',
    work: { reason: 'repair', replaced: ['unit'] },
    shop: { methods: ['two-person', 'pressure'] },
    expect: { stops: ['control-unit-tool-missing'] },
  },
  {
    name: 'a new cylinder, and nobody who can get its air out',
    reasoning:
      'The cylinder is full of air. A machine pushes through it but leaves the bubble at its outlet; that wants the vice, or a foot and a spanner at the ports.',
    vehicle: 'doctors-runabout',
    work: { reason: 'repair', replaced: ['cylinder'] },
    shop: { methods: ['pressure'] },
    expect: { stops: ['cylinder-method-missing'] },
  },
  {
    name: 'a brake without any bleeder',
    reasoning: 'Air in it has no way out that this file knows: ask the maker for the way.',
    vehicle: 'doctors-runabout',
    change: (file) => ({
      ...file,
      parts: (file.parts as object[]).map((part) => ('bleeders' in part ? { ...part, bleeders: [] } : part)),
    }),
    work: { reason: 'service' },
    shop: { methods: everything },
    expect: { stops: ['no-bleeder'] },
  },
  {
    name: 'plain DOT 4 for a van that wants low viscosity',
    reasoning:
      'Dry 230 against 250 °C, wet 155 against 165, and 1800 against 750 mm²/s in the cold: worse in all three, and the stability control is slow with it. The maker allows no other.',
    vehicle: 'electric-post-van',
    work: { reason: 'service', fluidUsed: 'DOT 4' },
    shop: { methods: everything },
    expect: { stops: ['fluid-worse'] },
  },
  {
    name: 'gravity insisted on where a valve stops it',
    reasoning:
      'A reason may beat a preference, never a valve: an excluded way is not taken, whatever is said for it.',
    vehicle: 'chapel-saloon',
    work: { reason: 'service', ways: [{ technique: 'gravity', why: 'there is time until tomorrow' }] },
    shop: { methods: ['two-person', 'gravity'] },
    expect: { stops: ['method-excluded'] },
  },
  {
    name: 'one brake whose bleeder nobody knows of',
    reasoning:
      'Three bleeders in the file, four brakes on the car. What stands in the fourth would stay in it, and nobody would notice.',
    vehicle: 'doctors-runabout',
    change: (file) => ({
      ...file,
      parts: (file.parts as { position?: string }[]).map((part) =>
        part.position === 'front-left' ? { ...part, bleeders: [] } : part,
      ),
    }),
    work: { reason: 'service' },
    shop: { methods: everything },
    expect: { stops: ['brake-without-bleeder'] },
  },
]

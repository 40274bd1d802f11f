import type { PlanCase } from './case'

/** What a person, a maker, an adapter or the shelf decides. */
export const choiceCases: PlanCase[] = [
  {
    name: 'vacuum by hand, though the machine would be better',
    reasoning: 'An allowed way may be taken for a reason; what was set aside is kept beside it.',
    vehicle: 'doctors-runabout',
    work: { reason: 'service', ways: [{ technique: 'vacuum', why: 'the pressure bleeder is on the lorry' }] },
    shop: { methods: ['pressure', 'vacuum'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: vacuum', 'prove'],
      reasons: ['method-by-hand'],
      notTaken: { pressure: 'set-aside' },
    },
  },
  {
    name: 'the maker states a vacuum',
    reasoning: 'The maker’s word wins over time and risk.',
    vehicle: 'doctors-runabout',
    change: (file) => ({ ...file, makerSettings: { vacuumKPa: 60 } }),
    work: { reason: 'service' },
    shop: { methods: ['pressure', 'vacuum'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: vacuum', 'prove'],
      reasons: ['method-maker'],
      notTaken: { pressure: 'maker-states-another' },
    },
  },
  {
    name: 'no adapter for its cap',
    reasoning: 'A makeshift adapter is how fluid gets onto the paint: vacuum then.',
    vehicle: 'school-minibus',
    change: withAdapter,
    work: { reason: 'service' },
    shop: { methods: ['pressure', 'vacuum'], adapters: [{ name: 'threaded 45', maxKPa: 200 }] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: vacuum', 'prove'],
      notTaken: { pressure: 'adapter-missing' },
    },
  },
  {
    name: 'an adapter rated lower than usual',
    reasoning: 'Never above the lower of the adapter’s and the maker’s rating.',
    vehicle: 'school-minibus',
    change: withAdapter,
    work: { reason: 'service' },
    shop: { methods: ['pressure'], adapters: [{ name: 'three-lug B', maxKPa: 80 }] },
    expect: { stages: ['reservoir-exchange', 'bleed: pressure', 'prove'], pressureKPa: 80 },
  },
  {
    name: 'DOT 5.1 for a DOT 4 van',
    reasoning:
      'Same base; 260 against 230 °C dry, 180 against 155 wet, 900 against 1800 mm²/s cold: worse in nothing.',
    vehicle: 'parcel-van',
    work: { reason: 'service', fluidUsed: 'DOT 5.1' },
    shop: { methods: ['pressure'] },
    expect: { stages: ['reservoir-exchange', 'bleed: pressure', 'prove'], reasons: ['fluid-as-good'] },
  },
  {
    name: 'DOT 4 for a DOT 3 saloon',
    reasoning:
      'Boils higher, but is thicker in the cold, 1800 against 1500: only the maker’s word lets it in, and he gives it.',
    vehicle: 'chapel-saloon',
    work: { reason: 'service', fluidUsed: 'DOT 4' },
    shop: { methods: ['two-person'] },
    expect: {
      stages: ['reservoir-exchange', 'bleed: pump-and-hold', 'prove'],
      reasons: ['fluid-maker-allows'],
    },
  },
  {
    name: 'silicone asked for in a glycol car',
    reasoning: '“5” is no step up from “4”: another base, other seals.',
    vehicle: 'doctors-runabout',
    work: { reason: 'service', fluidUsed: 'DOT 5' },
    shop: { methods: ['two-person'] },
    expect: { stops: ['fluid-never'] },
  },
  {
    name: 'enough on the shelf',
    reasoning: 'Sealed containers that are there are opened before any is bought.',
    vehicle: 'doctors-runabout',
    work: { reason: 'service' },
    shop: { methods: ['pressure'], onHand: [{ spec: 'DOT 4', ml: 1000, count: 1 }] },
    expect: { stages: ['reservoir-exchange', 'bleed: pressure', 'prove'], reasons: ['on-hand-first'] },
  },
]

/** The minibus with the name of the adapter that fitted last time. */
function withAdapter(file: Record<string, unknown>): object {
  const parts = file.parts as { type: string }[]
  return {
    ...file,
    parts: parts.map((part) => (part.type === 'reservoir' ? { ...part, capAdapter: 'three-lug B' } : part)),
  }
}

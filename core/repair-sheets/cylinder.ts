import { fact, type Reason, reason } from '../base/decision'
import { bore, boreLimitMm, boreReadings } from '../diagnosis/led/bore'
import { newCylinder } from '../diagnosis/repairs/new-cylinder'
import { cylinderMl } from '../physics/hydraulics/cylinder'
import { partFact, partsOf } from '../vehicle/parts'
import type { PartOf, Vehicle } from '../vehicle/schema'
import { cheaper, costFields, costFigure, costsOf, kitField } from './rebuild-or-buy'
import { type Buy, type Filled, numberOf, type RepairSheet, type Verdict, wordOf } from './sheet'

/** A rod that leaves no play keeps the compensating port shut; more than this is travel lost. @source from memory */
const MOST_ROD_PLAY_MM = 2
const USUAL = { kit: 'kit', part: 'master-cylinder', repair: newCylinder }

const cylinderAt = (vehicle: Vehicle, at: string): PartOf<'master-cylinder'> | undefined =>
  partsOf(vehicle, 'master-cylinder').find(({ id }) => id === at)

/** A cylinder: used again as it is, rebuilt with new cups, or renewed; then its rod, and the pedal after a week. */
export const cylinder: RepairSheet = {
  id: 'cylinder',
  places: (vehicle) =>
    partsOf(vehicle, 'master-cylinder').map((part) => ({ id: part.id, name: partFact(part) })),
  fields: (vehicle, at, prices) => [
    {
      kind: 'choice',
      id: 'pits',
      label: fact('sheet-pits'),
      options: ['bright', 'stain-wipes-off', 'felt-by-a-nail'],
    },
    {
      kind: 'amount',
      id: 'limit',
      label: fact('led-limit'),
      quantity: 'length',
      initial: boreLimitMm(cylinderAt(vehicle, at)),
    },
    ...boreReadings.map((id) => ({
      kind: 'amount' as const,
      id,
      label: fact(`led-${id}`),
      quantity: 'length' as const,
    })),
    { kind: 'choice', id: 'cups', label: fact('sheet-cups'), options: ['sound', 'worn', 'swollen'] },
    {
      kind: 'choice',
      id: 'thumb',
      label: fact('check-thumb'),
      options: ['pushes-and-draws', 'pushes-only', 'nothing'],
      check: 'thumb',
      optional: true,
    },
    kitField,
    ...costFields(USUAL, prices),
    { kind: 'amount', id: 'rod-play', label: fact('sheet-rod-play'), quantity: 'length', optional: true },
    {
      kind: 'choice',
      id: 'stood',
      label: fact('sheet-stood'),
      options: ['firm', 'gone'],
      check: 'stood',
      optional: true,
    },
  ],
  judge(filled, vehicle, at) {
    const part = cylinderAt(vehicle, at)
    if (!part) return undefined
    const found = decide(filled, vehicle)
    if (!found) return undefined
    return {
      ...found,
      figures: figuresOf(filled, part),
      buy: boughtFor(found.value),
      ...afterwards(filled, part, found),
    }
  },
  work: { reuse: 'opened', rebuild: 'opened', renew: 'replaced' },
  cautions: ['only-brake-fluid', 'fluid-eats-paint', 'eye-protection'],
}

type Found = { value: 'reuse' | 'rebuild' | 'renew'; reasons: Reason[] }

/** The first thing that condemns it ends the looking; sound in all, it is a matter of money. */
function decide(filled: Filled, vehicle: Vehicle): Found | undefined {
  const said = (id: string) => wordOf(filled, id)
  const renew = (...reasons: Reason[]): Found => ({ value: 'renew', reasons })
  if (said('stood') === 'gone') return renew(reason('sheet-gone-after-week', 'practice'))
  if (said('pits') === 'felt-by-a-nail') return renew(reason('sheet-pits-felt', 'practice'))
  const measured = Object.fromEntries(['limit', ...boreReadings].map((id) => [id, numberOf(filled, id)]))
  const width = bore.judge(measured, vehicle, 'soft-pedal')
  if (width?.value === 'beyond') return renew(...width.reasons)
  if (said('cups') === 'swollen')
    return renew(...(width?.reasons ?? []), reason('sheet-cups-swollen', 'practice'))
  if (!width || said('pits') === undefined || said('cups') === undefined) return undefined
  const sound = [...width.reasons, reason(`sheet-bore-${said('pits')}`, 'practice')]
  if (said('cups') === 'sound' && said('thumb') === 'pushes-and-draws')
    return { value: 'reuse', reasons: [...sound, reason('sheet-cups-sound', 'practice')] }
  const kit = said('kit')
  if (kit === undefined) return undefined
  if (kit !== 'fits-this-bore') return renew(...sound, reason(`sheet-kit-${kit}`, 'practice'))
  const costs = costsOf(filled)
  if (!costs) return undefined
  const less = cheaper(costs)
  return { value: less.value, reasons: [...sound, less.reason] }
}

function figuresOf(filled: Filled, { chambers, pedalRatio }: PartOf<'master-cylinder'>) {
  const play = numberOf(filled, 'rod-play')
  return [
    ...chambers.map(({ id, boreMm, strokeMm }) =>
      fact('sheet-stroke', { chamber: id, strokeMl: cylinderMl(boreMm, strokeMm) }),
    ),
    ...costFigure(filled),
    ...(play === undefined ? [] : [fact('sheet-pedal-play', { pedalMm: play * pedalRatio })]),
  ]
}

function boughtFor(value: Found['value']): Buy[] {
  if (value === 'reuse') return []
  const key = value === 'rebuild' ? 'kit' : 'master-cylinder'
  return [
    { ...fact(`spare-${key}`), key, count: 1 },
    { ...fact('buy-pin-and-clip'), count: 1 },
  ]
}

/** Once it is fitted: the rod’s play, and the pedal after a week of standing. */
function afterwards(
  filled: Filled,
  { actuator }: PartOf<'master-cylinder'>,
  { reasons }: Found,
): Pick<Verdict, 'still' | 'reasons'> {
  const play = numberOf(filled, 'rod-play')
  const rod =
    play === undefined
      ? fact('sheet-still-rod')
      : play <= 0
        ? fact('sheet-rod-tight')
        : play > MOST_ROD_PLAY_MM
          ? fact('sheet-rod-slack', { mostMm: MOST_ROD_PLAY_MM })
          : undefined
  return {
    reasons: rod ? reasons : [...reasons, reason('sheet-rod-right', 'default', { playMm: play })],
    still: [
      ...(rod ? [rod] : []),
      ...(wordOf(filled, 'stood') === undefined
        ? [fact('sheet-still-week', { actuator: fact(`actuator-${actuator}`) })]
        : []),
    ],
  }
}

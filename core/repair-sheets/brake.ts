import { fact, type Reason, reason } from '../base/decision'
import { newBrake } from '../diagnosis/repairs/new-brake'
import { wearDrop } from '../physics/exchange/wear-drop'
import { partFact, partsOf } from '../vehicle/parts'
import type { PartOf, Vehicle } from '../vehicle/schema'
import { deadVolume } from '../vehicle/usual-volumes'
import { cheaper, costFields, costFigure, costsOf, kitField } from './rebuild-or-buy'
import { type Buy, type Filled, type RepairSheet, wordOf } from './sheet'

const brakeAt = (vehicle: Vehicle, at: string): PartOf<'wheel-brake'> | undefined =>
  partsOf(vehicle, 'wheel-brake').find(({ id }) => id === at)
const partOf = (brake: PartOf<'wheel-brake'>) => (brake.brake === 'drum' ? 'wheel-cylinder' : 'caliper')

/** A caliper or wheel cylinder taken apart: kept, its slides freed, rebuilt with new rubber, or renewed. */
export const brake: RepairSheet = {
  id: 'brake',
  places: (vehicle) => partsOf(vehicle, 'wheel-brake').map((part) => ({ id: part.id, name: partFact(part) })),
  fields(vehicle, at, prices) {
    const part = brakeAt(vehicle, at)
    if (!part) return []
    const usual = { kit: 'kit', part: partOf(part), repair: newBrake }
    return [
      {
        kind: 'choice',
        id: 'piston',
        label: fact('sheet-piston'),
        options: ['bright', 'marks-outside-the-seal', 'pitted'],
      },
      {
        kind: 'choice',
        id: 'groove',
        label: fact('sheet-groove'),
        options: ['clean', 'rust-comes-out', 'pitted'],
      },
      { kind: 'choice', id: 'boot', label: fact('sheet-boot'), options: ['whole', 'torn'] },
      ...(part.brake === 'disc'
        ? [
            {
              kind: 'choice' as const,
              id: 'slides',
              label: fact('sheet-slides'),
              options: ['free', 'freed', 'seized'],
            },
          ]
        : []),
      {
        kind: 'choice',
        id: 'bleeder',
        label: fact('sheet-bleeder'),
        options: ['turns', 'seized', 'snapped'],
      },
      {
        kind: 'choice',
        id: 'touched',
        label: fact('sheet-touched'),
        options: ['brake-fluid-only', 'oil-or-solvent'],
      },
      kitField,
      ...costFields(usual, prices),
    ]
  },
  judge(filled, vehicle, at) {
    const part = brakeAt(vehicle, at)
    const found = part && decide(filled, part)
    if (!part || !found) return undefined
    const { ml: wearMl } = wearDrop({ pistons: part.pistons, wearMm: part.padWearMm })
    return {
      ...found,
      figures: [
        fact('sheet-dry-takes', { takesMl: deadVolume(part).ml + wearMl, homeMl: deadVolume(part).ml }),
        ...part.pistons.map(({ diameterMm, count }) => fact('sheet-pistons', { count, diameterMm })),
        ...costFigure(filled),
      ],
      buy: boughtFor(found.value, part, filled),
      still: [
        ...(needsBleeder(found.value, filled) ? [fact('sheet-still-bleeder')] : []),
        ...(found.value === 'keep' ? [] : [fact('sheet-still-bled')]),
      ],
    }
  },
  work: { keep: 'none', 'free-slides': 'none', rebuild: 'opened', renew: 'replaced' },
  cautions: ['never-press-open', 'air-and-wood-block', 'only-brake-fluid', 'dust', 'wheel-on-stands'],
}

type Found = { value: 'keep' | 'free-slides' | 'rebuild' | 'renew'; reasons: Reason[] }

function decide(filled: Filled, { brake: kind }: PartOf<'wheel-brake'>): Found | undefined {
  const said = (id: string) => wordOf(filled, id)
  const renew = (code: string): Found => ({ value: 'renew', reasons: [reason(code, 'practice')] })
  if (said('piston') === 'pitted') return renew('sheet-piston-pitted')
  if (said('groove') === 'pitted') return renew('sheet-groove-pitted')
  if (said('bleeder') === 'snapped') return renew('sheet-bleeder-snapped')
  if (said('slides') === 'seized') return renew('sheet-slides-seized')
  const asked = ['piston', 'groove', 'boot', 'bleeder', 'touched', ...(kind === 'disc' ? ['slides'] : [])]
  if (asked.some((id) => said(id) === undefined)) return undefined
  const rubber: Reason[] = [
    ...(said('touched') === 'oil-or-solvent' ? [reason('sheet-rubber-touched', 'practice')] : []),
    ...(said('boot') === 'torn' ? [reason('sheet-boot-torn', 'practice')] : []),
    ...(said('groove') === 'rust-comes-out' ? [reason('sheet-groove-cleaned', 'practice')] : []),
    ...(said('piston') === 'marks-outside-the-seal' ? [reason('sheet-piston-marks', 'practice')] : []),
  ]
  const apart = said('touched') === 'oil-or-solvent' || said('boot') === 'torn' || said('groove') !== 'clean'
  if (!apart) {
    const value = said('slides') === 'freed' ? 'free-slides' : 'keep'
    return { value, reasons: [...rubber, reason(`sheet-brake-${value}`, 'practice')] }
  }
  const kit = said('kit')
  if (kit === undefined) return undefined
  if (kit !== 'fits-this-bore')
    return { value: 'renew', reasons: [...rubber, reason(`sheet-kit-${kit}`, 'practice')] }
  const costs = costsOf(filled)
  if (!costs) return undefined
  const less = cheaper(costs)
  return { value: less.value, reasons: [...rubber, less.reason] }
}

/** A bleeder that would not turn is not put back; another brake brings its own. */
const needsBleeder = (value: Found['value'], filled: Filled): boolean =>
  value !== 'renew' && wordOf(filled, 'bleeder') === 'seized'

function boughtFor(value: Found['value'], part: PartOf<'wheel-brake'>, filled: Filled): Buy[] {
  const key = value === 'rebuild' ? 'kit' : partOf(part)
  const apart = value === 'rebuild' || value === 'renew'
  return [
    ...(apart
      ? [
          { ...fact(`spare-${key}`), key, count: 1 },
          { ...fact('buy-washers'), count: 2 },
        ]
      : []),
    ...(value === 'free-slides' ? [{ ...fact('buy-rubber-grease'), count: 1 }] : []),
    ...(needsBleeder(value, filled) ? [{ ...fact('spare-bleeder'), key: 'bleeder', count: 1 }] : []),
  ]
}

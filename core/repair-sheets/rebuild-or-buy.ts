import { type Fact, fact, type Reason, reason } from '../base/decision'
import type { Repair } from '../diagnosis/repair'
import { type Filled, numberOf, type SheetField, type SheetPrices } from './sheet'

/** Keys of the prices of either way, and the repair whose hands' minutes are the usual ones. */
type Usual = { kit: string; part: string; repair: Repair }

/** Whether there is rubber for it. */
export const kitField: SheetField = {
  kind: 'choice',
  id: 'kit',
  label: fact('sheet-kit'),
  options: ['fits-this-bore', 'another-bore', 'none'],
}

/** What either way costs, asked with the shop's own prices filled in. */
export const costFields = ({ kit, part, repair }: Usual, prices: SheetPrices): SheetField[] => [
  { kind: 'number', id: 'kit-price', label: fact('sheet-kit-price'), initial: prices.parts[kit] },
  { kind: 'number', id: 'new-price', label: fact('sheet-new-price'), initial: prices.parts[part] },
  {
    kind: 'number',
    id: 'rebuild-minutes',
    label: fact('sheet-rebuild-minutes'),
    initial: repair.options?.find(({ id }) => id === 'rebuild')?.minutes,
  },
  { kind: 'number', id: 'renew-minutes', label: fact('sheet-renew-minutes'), initial: repair.minutes },
  { kind: 'number', id: 'labour', label: fact('sheet-labour'), initial: prices.labourPerHour },
]

/** What rebuilding and renewing come to, in the shop's money; undefined until all of it is known. */
export function costsOf(filled: Filled): { rebuild: number; renew: number } | undefined {
  const [kit, whole, rebuilding, renewing, labour] = [
    'kit-price',
    'new-price',
    'rebuild-minutes',
    'renew-minutes',
    'labour',
  ].map((id) => numberOf(filled, id))
  if ([kit, whole, rebuilding, renewing, labour].includes(undefined)) return undefined
  return {
    rebuild: (kit ?? 0) + ((rebuilding ?? 0) / 60) * (labour ?? 0),
    renew: (whole ?? 0) + ((renewing ?? 0) / 60) * (labour ?? 0),
  }
}

/** Both of them as a figure. */
export function costFigure(filled: Filled): Fact[] {
  const costs = costsOf(filled)
  return costs
    ? [fact('sheet-costs', { rebuild: Math.round(costs.rebuild), renew: Math.round(costs.renew) })]
    : []
}

/** Which of the two that are both sound is less money; alike, the new one. */
export function cheaper(costs: { rebuild: number; renew: number }): {
  value: 'rebuild' | 'renew'
  reason: Reason
} {
  const value = costs.rebuild < costs.renew ? 'rebuild' : 'renew'
  const params = { rebuild: Math.round(costs.rebuild), renew: Math.round(costs.renew) }
  return { value, reason: reason(`sheet-cheaper-${value}`, 'default', params) }
}

import type { Basis, Notice, Reason } from '../base/decision'
import { equipment } from './equipment'
import { techniqueOf, techniquesAt } from './index'
import type {
  MethodContext,
  MethodId,
  MethodMinutes,
  MethodSettings,
  SettingLimits,
  Technique,
  TechniqueId,
} from './technique'

/** A way that was not taken: why, where that comes from, and whether it may be taken all the same. */
export type NotTaken = Notice & {
  technique: TechniqueId
  method: MethodId
  basis: Basis
  excluded: boolean
}

/** Taken by hand against the program's own preference. */
export type Asked = { technique: TechniqueId; why: string }

/** The way taken, and why each other one was not. */
export type Choice = {
  technique: Technique
  settings: MethodSettings
  limits: SettingLimits
  minutes: MethodMinutes
  reasons: Reason[]
  notTaken: NotTaken[]
  /** What the program would have taken. */
  usual: TechniqueId
  refused?: undefined
}
/** `refused` where one was asked for that may not be used. */
export type NoChoice = { technique?: undefined; notTaken: NotTaken[]; refused?: NotTaken }

const total = ({ fluidMinutes, handlingMinutes }: MethodMinutes) => fluidMinutes + handlingMinutes

/** Why this shop cannot do it, or this vehicle forbids it. */
function exclusion(technique: Technique, context: MethodContext, available: readonly MethodId[]) {
  if (!available.includes(technique.method))
    return { code: 'not-in-shop', text: 'The shop does not offer it.', basis: 'default' as const }
  if (technique.needsHelper && !context.helper)
    return { code: 'nobody-to-help', text: 'Nobody can sit in the cab.', basis: 'default' as const }
  const missing = technique.needs.filter((id) => context.lacks.has(id))
  if (missing.length > 0)
    return {
      code: 'equipment-missing',
      text: `Not at hand: ${missing.map((id) => equipment[id].toLowerCase()).join(', ')}.`,
      basis: 'default' as const,
    }
  const forbidden = technique.exclude(context)
  return forbidden && { ...forbidden, basis: 'practice' as const }
}

/**
 * Choose how one place of work is done: exclude what the shop lacks or the vehicle forbids, take what the maker's
 * settings ask for, else the lowest sum of time and risk for this vehicle at this temperature. One that was asked for
 * by hand is taken where it is not excluded.
 */
export function chooseTechnique(
  at: Technique['at'],
  context: MethodContext,
  available: readonly MethodId[],
  ways: readonly Asked[] = [],
): Choice | NoChoice {
  const asked = ways.find(({ technique }) => techniqueOf(technique).at === at)
  const notTaken: NotTaken[] = []
  const possible: { technique: Technique; minutes: MethodMinutes; cost: number }[] = []
  for (const technique of techniquesAt(at)) {
    const excluded = exclusion(technique, context, available)
    if (excluded) {
      notTaken.push({ technique: technique.id, method: technique.method, ...excluded, excluded: true })
      continue
    }
    const minutes = technique.minutes(context)
    possible.push({ technique, minutes, cost: total(minutes) + technique.riskMinutes(context) })
  }
  possible.sort(
    (a, b) => makerRank(b.technique, context) - makerRank(a.technique, context) || a.cost - b.cost,
  )
  const refused = asked && notTaken.find(({ technique }) => technique === asked.technique)
  const usual = possible[0]
  if (!usual || refused) return { notTaken, ...(refused && { refused }) }
  const taken = possible.find(({ technique }) => technique.id === asked?.technique) ?? usual
  const byHand = taken !== usual
  const makers = makerRank(usual.technique, context) > 0
  const spent = ({ minutes, cost }: (typeof possible)[number]) =>
    `${Math.round(total(minutes))} min and a risk worth ${Math.round(cost - total(minutes))}`
  for (const other of possible) {
    if (other === taken) continue
    const { technique } = other
    const row = { technique: technique.id, method: technique.method, excluded: false }
    if (byHand && other === usual)
      notTaken.push({
        ...row,
        code: 'set-aside',
        text: 'The usual choice here, set aside by hand.',
        basis: 'default',
      })
    else if (makers)
      notTaken.push({
        ...row,
        code: 'maker-states-another',
        text: `The maker states another method: here ${spent(other)}, there ${spent(usual)}.`,
        basis: 'maker',
      })
    else
      notTaken.push({
        ...row,
        code: 'costs-more',
        text: `${usual.technique.name} costs less time and risk: here ${spent(other)}, there ${spent(usual)}.`,
        basis: 'physics',
      })
  }
  return {
    technique: taken.technique,
    settings: taken.technique.settings(context),
    limits: taken.technique.limits(context),
    minutes: taken.minutes,
    reasons: [whyTaken(taken.technique, byHand ? asked?.why : undefined, makers)],
    notTaken,
    usual: usual.technique.id,
  }
}

function whyTaken({ name, why }: Technique, byHand: string | undefined, makers: boolean): Reason {
  if (byHand !== undefined)
    return { code: 'method-by-hand', text: `${name}, taken by hand: ${byHand}`, basis: 'default' }
  if (makers)
    return {
      code: 'method-maker',
      text: `${name}: the maker states its setting for this vehicle.`,
      basis: 'maker',
    }
  return {
    code: 'method-cheapest',
    text: `${name}: ${why} Lowest sum of time and risk here.`,
    basis: 'practice',
  }
}

/** How far the maker's own settings ask for a way. */
function makerRank({ id }: Technique, { vehicle }: MethodContext): number {
  const stated = vehicle.makerSettings
  if (!stated) return 0
  const wants = { pressure: stated.pressureKPa !== undefined, vacuum: stated.vacuumKPa !== undefined }
  if (id === 'pressure-vacuum') return wants.pressure && wants.vacuum ? 2 : 0
  if (id === 'pressure') return wants.pressure ? 1 : 0
  if (id === 'vacuum') return wants.vacuum && !wants.pressure ? 1 : 0
  return 0
}

import { type Basis, fact, type Notice, type Reason, reason } from '../base/decision'
import { techniqueOf, techniquesAt } from './index'
import type {
  MethodId,
  SettingLimits,
  Technique,
  TechniqueContext,
  TechniqueId,
  TechniqueMinutes,
  TechniqueSettings,
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
  settings: TechniqueSettings
  limits: SettingLimits
  minutes: TechniqueMinutes
  reasons: Reason[]
  notTaken: NotTaken[]
  /** What the program would have taken. */
  usual: TechniqueId
  refused?: undefined
}
/** `refused` where one was asked for that may not be used. */
export type NoChoice = { technique?: undefined; notTaken: NotTaken[]; refused?: NotTaken }

const total = ({ fluidMinutes, handlingMinutes }: TechniqueMinutes) => fluidMinutes + handlingMinutes

/** Why this shop cannot do it, or this vehicle forbids it. */
function exclusion(technique: Technique, context: TechniqueContext, available: readonly MethodId[]) {
  if (!available.includes(technique.method)) return reason('not-in-shop', 'default')
  if (technique.needsHelper && !context.helper) return reason('nobody-to-help', 'default')
  const missing = technique.needs.filter((id) => context.lacks.has(id))
  if (missing.length > 0)
    return reason('equipment-missing', 'default', { things: missing.map((id) => fact(`equipment-${id}`)) })
  const forbidden = technique.exclude(context)
  return forbidden && { ...forbidden, basis: 'practice' as const }
}

/**
 * Choose how one place of work is done: exclude what the shop lacks or the vehicle forbids, take what the maker's
 * settings ask for, else the lowest sum of time and risk for this vehicle at this temperature. One that was asked for
 * by hand is taken where it is not excluded.
 *
 * @param contextOf what each way would have to move: one that leaves the level to a hand needs a little more fluid
 */
export function chooseTechnique(
  at: Technique['at'],
  contextOf: (technique: Technique) => TechniqueContext,
  available: readonly MethodId[],
  ways: readonly Asked[] = [],
): Choice | NoChoice {
  const asked = ways.find(({ technique }) => techniqueOf(technique).at === at)
  const notTaken: NotTaken[] = []
  const possible: {
    technique: Technique
    context: TechniqueContext
    minutes: TechniqueMinutes
    cost: number
  }[] = []
  for (const technique of techniquesAt(at)) {
    const context = contextOf(technique)
    const excluded = exclusion(technique, context, available)
    if (excluded) {
      notTaken.push({ technique: technique.id, method: technique.method, ...excluded, excluded: true })
      continue
    }
    const minutes = technique.minutes(context)
    possible.push({ technique, context, minutes, cost: total(minutes) + technique.riskMinutes(context) })
  }
  possible.sort(
    (a, b) => makerRank(b.technique, b.context) - makerRank(a.technique, a.context) || a.cost - b.cost,
  )
  const refused = asked && notTaken.find(({ technique }) => technique === asked.technique)
  const usual = possible[0]
  if (!usual || refused) return { notTaken, ...(refused && { refused }) }
  const taken = possible.find(({ technique }) => technique.id === asked?.technique) ?? usual
  const byHand = taken !== usual
  const makers = makerRank(usual.technique, usual.context) > 0
  const spent = ({ minutes, cost }: (typeof possible)[number]) => ({
    min: Math.round(total(minutes)),
    risk: Math.round(cost - total(minutes)),
  })
  for (const other of possible) {
    if (other === taken) continue
    const { technique } = other
    const row = { technique: technique.id, method: technique.method, excluded: false }
    if (byHand && other === usual) notTaken.push({ ...row, ...reason('set-aside', 'default') })
    else {
      const [here, there] = [fact('time-and-risk', spent(other)), fact('time-and-risk', spent(usual))]
      const by = { here, there, usual: fact(`technique-${usual.technique.id}`) }
      notTaken.push({
        ...row,
        ...(makers ? reason('maker-states-another', 'maker', by) : reason('costs-more', 'physics', by)),
      })
    }
  }
  return {
    technique: taken.technique,
    settings: taken.technique.settings(taken.context),
    limits: taken.technique.limits(taken.context),
    minutes: taken.minutes,
    reasons: [whyTaken(taken.technique, byHand ? asked?.why : undefined, makers)],
    notTaken,
    usual: usual.technique.id,
  }
}

function whyTaken({ id }: Technique, byHand: string | undefined, makers: boolean): Reason {
  const way = fact(`technique-${id}`)
  if (byHand !== undefined) return reason('method-by-hand', 'default', { way, why: byHand })
  if (makers) return reason('method-maker', 'maker', { way })
  return reason('method-cheapest', 'practice', { way, rests: fact(`technique-${id}-why`) })
}

/** How far the maker's own settings ask for a way: all that it needs are stated, and no other. */
function makerRank({ makerStates }: Technique, { vehicle }: TechniqueContext): number {
  const { pressureKPa, vacuumKPa } = vehicle.makerSettings ?? {}
  const stated = { pressureKPa, vacuumKPa }
  if (!makerStates || makerStates.some((setting) => stated[setting] === undefined)) return 0
  return makerStates.length
}

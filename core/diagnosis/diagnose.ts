import { fact } from '../base/decision'
import { type Fault, ImpossibleInput } from '../base/fault'
import type { Shop } from '../plan/request'
import type { Diagnosis, Next, WouldSay } from './answer'
import { causeOf } from './causes'
import { type CheckChoice, type Compiled, compile, type RepairChoice } from './compile'
import { type WorkAfter, workAfter } from './costs'
import { type Effort, usualEffort, type Weighed, weighAll } from './decide/least-cost'
import { massOf } from './decide/model'
import { repairsOnly } from './decide/repairs-only'
import { shownBy } from './hypotheses'
import { reasonsOf } from './reasons'
import type { Case } from './request'
import { endedBy, foundAt, sharesOf, type Weighted, weightedOf } from './shares'
import { placeFor } from './where'

/**
 * What is wrong, how likely, and what to try next: by the least expected cost of getting it right.
 *
 * @param effort how far is looked ahead
 * @param shop what the planner may use for the bleeds that follow; left out, everything
 * @throws {ImpossibleInput} where nothing that is known could show all that was found
 */
export function diagnose(
  of: Case,
  { effort = usualEffort, shop }: { effort?: Effort; shop?: Shop } = {},
): Diagnosis {
  const weighted = weightedOf(of)
  if (weighted.length === 0) throw impossible()
  const causes = sharesOf(of, weighted)
  const [likeliest] = causes
  const ended = endedBy(of) !== undefined
  const compiled = compile(of, weighted, shop)
  const next = ended ? [] : nextOf(of, weighted, compiled, effort)
  const [first] = next
  const { model } = compiled
  return {
    causes,
    next,
    expectedCost: first ? first.cost + first.expectedCostAfter : 0,
    ...(!ended && { expectedCostUnlooked: repairsOnly(model, model.prior).cost / massOf(model.prior) }),
    ...(ended && likeliest && { named: likeliest.id }),
    ...(likeliest && workIf(likeliest.id, of)),
    reasons: reasonsOf(of, weighted, { compiled, next, ended, causes }),
  }
}

const impossible = () =>
  new ImpossibleInput(
    'found',
    'nothing that is known is left: look again at what was found, and at what was tried',
  )

/** Whether anything that is known could show all that was found. */
export const contradiction = (of: Case): Fault | undefined =>
  weightedOf(of).length === 0 ? { path: impossible().path, message: impossible().message } : undefined

/** What the planner would be asked for if this were mended; nothing where no fluid moves, or nobody knows where. */
function workIf(cause: string, of: Case): { work?: WorkAfter } {
  const { repair, at } = causeOf(cause) ?? {}
  if (!repair?.work) return {}
  const work = workAfter(repair.work, placeFor(at, foundAt(of), of.vehicle, of.complaint))
  return work ? { work } : {}
}

function nextOf(of: Case, weighted: readonly Weighted[], compiled: Compiled, effort: Effort): Next[] {
  const weighed = weighAll(compiled.model, effort)
  const items = weighed.flatMap((each): Next[] =>
    each.kind === 'check'
      ? checkItem(each, compiled.checks[each.index], of, weighted)
      : repairItems(each, compiled.repairs[each.index], weighted),
  )
  const rank = (item: Next): number => {
    const first = compiled.checks.findIndex(({ check }) => check.first && check.id === item.id)
    return item.kind === 'check' && first >= 0 ? first : compiled.checks.length
  }
  return items.sort(
    (a, b) => rank(a) - rank(b) || a.cost + a.expectedCostAfter - (b.cost + b.expectedCostAfter),
  )
}

function checkItem(
  { cost, after }: Weighed,
  choice: CheckChoice | undefined,
  of: Case,
  weighted: readonly Weighted[],
): Next[] {
  if (!choice) return []
  const { check, price } = choice
  return [
    {
      kind: 'check',
      id: check.id,
      ...fact(`check-${check.id}`),
      minutes: price.minutes,
      cost,
      expectedCostAfter: after,
      answers: check.results.flatMap((result, r): WouldSay[] => {
        const chance = weighted.reduce((sum, each) => sum + each.mass * (shownBy(check, each)[r] ?? 0), 0)
        const [top] = chance > 0 ? sharesOf({ ...of, found: [...of.found, { check: check.id, result }] }) : []
        return top ? [{ result, chance, cause: top.id, share: top.share }] : []
      }),
    },
  ]
}

/** One repair for every cause it mends that may be there. */
function repairItems(
  { cost, after }: Weighed,
  choice: RepairChoice | undefined,
  weighted: readonly Weighted[],
): Next[] {
  if (!choice) return []
  const { repair, price } = choice
  const mended = new Set(
    weighted.flatMap(({ causes, mass }) =>
      mass > 0 ? causes.filter((cause) => cause.repair.id === repair.id).map(({ id }) => id) : [],
    ),
  )
  return [...mended].map((id) => ({
    kind: 'repair',
    id,
    ...fact(`repair-${repair.id}`),
    minutes: price.minutes,
    cost,
    expectedCostAfter: after,
  }))
}

import { fact, type Reason, reason } from '../base/decision'
import type { CauseShare, Next } from './answer'
import { checkOf } from './checks'
import type { Compiled } from './compile'
import { partsFor } from './costs'
import { likelihood } from './hypotheses'
import type { Case } from './request'
import { sharesOf, type Weighted } from './shares'
import { touchedBy } from './touched'

/** Two causes explain what was found much better than one where it is so many times as likely. @source from memory */
const MUCH_BETTER = 10
/** What was found is strange where even the likeliest cause would seldom show it, for each thing found. @source from memory */
const STRANGE = 0.12

/** A share that moved by less is the same to whoever reads it. */
const WORTH_SAYING = 0.01

type Answer = { compiled: Compiled; next: readonly Next[]; ended: boolean; causes: readonly CauseShare[] }

/** Why the shares are what they are, and why this comes next. */
export function reasonsOf(of: Case, weighted: readonly Weighted[], answer: Answer): Reason[] {
  const { compiled, next, ended, causes } = answer
  const [likeliest] = causes
  const causeFact = (id: string) => fact(`cause-${id}`)
  if (ended && likeliest) return [reason('search-ended', 'practice', { cause: causeFact(likeliest.id) })]
  const [first] = next
  return [
    reason('shares-from-experience', 'default'),
    ...ownCases(of),
    ...historyReasons(of),
    ...foundReasons(of, causes),
    ...twoFaults(of, weighted),
    ...strange(of, weighted),
    ...(next.some(({ id, kind }) => kind === 'check' && checkOf(id)?.first)
      ? [reason('looks-first', 'practice')]
      : []),
    ...(first
      ? [
          reason('least-expected-cost', 'default', {
            next: fact(first.kind === 'check' ? `check-${first.id}-name` : first.code),
          }),
        ]
      : []),
    ...usualPrices(of, compiled),
  ]
}

function ownCases({ own = {} }: Case): Reason[] {
  const count = Object.values(own).reduce<number>((sum, each) => sum + (each ?? 0), 0)
  return count > 0 ? [reason('own-cases-counted', 'default', { count })] : []
}

function historyReasons({ vehicle, history }: Case): Reason[] {
  const { unbled, fullyBled, ageYears } = touchedBy(history, vehicle)
  return [
    ...(unbled ? [reason('history-unbled', 'default')] : []),
    ...(fullyBled ? [reason('history-fully-bled', 'default')] : []),
    ...(ageYears === undefined ? [] : [reason('history-age', 'default', { ageYears })]),
  ]
}

/** What each answer changed most: with it, against what it would be without it. */
function foundReasons(of: Case, causes: readonly CauseShare[]): Reason[] {
  return of.found.flatMap((found) => {
    const without = new Map(
      sharesOf({ ...of, found: of.found.filter((each) => each !== found) }).map(({ id, share }) => [
        id,
        share,
      ]),
    )
    const ids = new Set([...without.keys(), ...causes.map(({ id }) => id)])
    const now = new Map(causes.map(({ id, share }) => [id, share]))
    let [most, moved] = ['', -1]
    for (const id of ids) {
      const by = Math.abs((now.get(id) ?? 0) - (without.get(id) ?? 0))
      if (by > moved) [most, moved] = [id, by]
    }
    if (moved < WORTH_SAYING) return []
    const pct = (share: number | undefined) => Math.round(100 * (share ?? 0))
    return reason('found-changed', 'default', {
      look: fact(`check-${found.check}-name`),
      result: fact(`result-${found.result}`),
      cause: fact(`cause-${most}`),
      beforePct: pct(without.get(most)),
      afterPct: pct(now.get(most)),
    })
  })
}

function twoFaults({ found, complaint }: Case, weighted: readonly Weighted[]): Reason[] {
  const byOne = Math.max(
    ...weighted.filter(({ causes }) => causes.length === 1).map((each) => likelihood(found, each, complaint)),
  )
  const both = weighted
    .filter(({ causes }) => causes.length > 1)
    .filter((each) => likelihood(found, each, complaint) >= MUCH_BETTER * byOne)
    .sort((a, b) => b.mass - a.mass)
  return both.slice(0, 1).map(({ causes: [one, other] }) =>
    reason('two-faults-likely', 'default', {
      one: fact(`cause-${one?.id}`),
      other: fact(`cause-${other?.id}`),
    }),
  )
}

/** Nothing that is known shows all of it often: an answer may be wrong, or it is something that is not listed. */
function strange({ found, complaint }: Case, weighted: readonly Weighted[]): Reason[] {
  const best = Math.max(...weighted.map((each) => likelihood(found, each, complaint)))
  return found.length > 1 && best < STRANGE ** found.length ? [reason('nothing-fits-well', 'default')] : []
}

function usualPrices(of: Case, { repairs }: Compiled): Reason[] {
  const missing = new Set(
    repairs
      .flatMap(({ repair, place }) => partsFor(repair, of.vehicle, place))
      .filter((key) => of.costs.parts[key] === undefined),
  )
  if (missing.size === 0) return []
  return [reason('prices-usual', 'default', { parts: [...missing].map((key) => fact(`spare-${key}`)) })]
}

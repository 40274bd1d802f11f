import { type Fact, fact } from '../../base/decision'

/** What a vehicle is put through, and how much sooner its fluid is replaced for it. */
export type HardUse = { addsMarginC: number; lessWaterPct: number; mostMonths: number }

/** @source from memory, all of them: a shop's own policy wins */
export const hardUses = {
  mountain: { addsMarginC: 10, lessWaterPct: 0.5, mostMonths: 24 },
  towing: { addsMarginC: 10, lessWaterPct: 0.5, mostMonths: 24 },
  track: { addsMarginC: 25, lessWaterPct: 1, mostMonths: 12 },
} as const satisfies Record<string, HardUse>

export type HardUseId = keyof typeof hardUses
export const hardUseIds = Object.keys(hardUses) as [HardUseId, ...HardUseId[]]

/** Several together count as the hardest of them in each respect; none leaves every limit as it is. */
export function hardest(ids: readonly HardUseId[]): HardUse {
  const uses: HardUse[] = ids.map((id) => hardUses[id])
  return {
    addsMarginC: Math.max(0, ...uses.map(({ addsMarginC }) => addsMarginC)),
    lessWaterPct: Math.max(0, ...uses.map(({ lessWaterPct }) => lessWaterPct)),
    mostMonths: Math.min(Number.POSITIVE_INFINITY, ...uses.map(({ mostMonths }) => mostMonths)),
  }
}

export const hardUseFact = (id: HardUseId): Fact => fact(`hard-use-${id}`)

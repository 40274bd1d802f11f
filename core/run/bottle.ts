/** Steps of the marks that are offered, in mL: those found on catch bottles. @source common practice */
const STEPS_ML = [1, 2, 5, 10, 20, 50, 100] as const
const MARKS = 6

export type BottleMark = { markMl: number; addsMl: number }

/**
 * Marks above where the fluid in a bottle stands, from nothing to about twice a usual pull, and the one a usual pull
 * would come to.
 *
 * @param bottleMl where it stands, 0 or more
 * @param usualMl what usually comes, above 0
 */
export function bottleMarks(bottleMl: number, usualMl: number): { all: BottleMark[]; usual: BottleMark } {
  const stepMl = STEPS_ML.findLast((step) => step <= 0.6 * usualMl) ?? STEPS_ML[0]
  // A pull that brought nothing is a pull too: the mark it stood at already.
  const firstMl = (Math.floor(bottleMl / stepMl) + 1) * stepMl
  const all = Array.from({ length: MARKS }, (_, i) => mark(firstMl + (i - 1) * stepMl, bottleMl))
  const first = all[0] ?? mark(firstMl, bottleMl)
  const usual = all.reduce(
    (best, each) => (Math.abs(each.addsMl - usualMl) < Math.abs(best.addsMl - usualMl) ? each : best),
    first,
  )
  return { all, usual }
}

const mark = (markMl: number, bottleMl: number): BottleMark => {
  const at = Math.max(markMl, bottleMl)
  return { markMl: at, addsMl: Math.round((at - bottleMl) * 10) / 10 }
}

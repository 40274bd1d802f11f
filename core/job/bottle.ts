import { toMetric } from '../units/units'

/** Steps of the marks that are offered: those found on catch bottles. @source common practice */
const STEPS = { mL: [1, 2, 5, 10, 20, 50, 100], 'fl oz': [0.1, 0.25, 0.5, 1, 2, 4] } as const
const ML_PER = { mL: 1, 'fl oz': toMetric('volume', 1, 'fl oz') } as const
const MARKS = 6

export type BottleMark = { markMl: number; addsMl: number }

/**
 * Marks above where the fluid in a bottle stands: nothing more, then those around what usually comes, and the one that
 * is nearest to it.
 *
 * @param bottleMl where it stands, 0 or more
 * @param usualMl what usually comes, above 0
 * @param scale what the bottle is marked in; marks and amounts are given in mL all the same
 * @param closeMl how close it has to be read, above 0: marks lie at most six tenths of it apart
 */
export function bottleMarks(
  bottleMl: number,
  usualMl: number,
  scale: keyof typeof STEPS = 'mL',
  closeMl = usualMl,
): { all: BottleMark[]; usual: BottleMark } {
  const size = ML_PER[scale]
  const stepMl = size * (STEPS[scale].findLast((step) => step * size <= 0.6 * closeMl) ?? STEPS[scale][0])
  // A pull that brought nothing is a pull too: the mark it stood at already.
  const firstMl = (Math.floor(bottleMl / stepMl + 1e-9) + 1) * stepMl
  const passed = Math.max(0, Math.round((bottleMl + usualMl - firstMl) / stepMl) - 2)
  const marks = Array.from({ length: MARKS - 1 }, (_, i) => mark(firstMl + (passed + i) * stepMl, bottleMl))
  const all = [mark(firstMl - stepMl, bottleMl), ...marks]
  const usual = all.reduce(
    (best, each) => (Math.abs(each.addsMl - usualMl) < Math.abs(best.addsMl - usualMl) ? each : best),
    all[0] ?? mark(firstMl, bottleMl),
  )
  return { all, usual }
}

/** Whatever runs into it, a catch bottle is read as close as this. @source from memory */
const READ_ML = 30

/**
 * The marks for a look that speaks for so many pulls, or for one look at an open bleeder.
 *
 * @param usualMl what one of them usually brings, above 0
 */
export const lookMarks = (bottleMl: number, usualMl: number, pulls: number, scale: keyof typeof STEPS) =>
  bottleMarks(bottleMl, usualMl * pulls, scale, Math.min(READ_ML, usualMl * Math.max(1, pulls / 3)))

const mark = (markMl: number, bottleMl: number): BottleMark => {
  const at = Math.max(markMl, bottleMl)
  return { markMl: at, addsMl: Math.round((at - bottleMl) * 100) / 100 }
}

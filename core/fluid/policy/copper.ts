import type { Rule } from './rule'

/** Share of the limit from which copper is worth watching. @source from memory */
const WATCH_SHARE = 0.5

/** Replace at a content of copper. @source common practice: 200 ppm */
export const copperRule: Rule = {
  name: 'Copper',
  unit: 'ppm',
  usual: 200,
  min: 10,
  max: 2000,
  basis: 'practice',
  words: (limit) => `${limit} ppm copper`,
  harder: (limit) => limit,
  judge(limit, { copperPpm }) {
    const basis = 'practice'
    if (!copperPpm) return { verdict: 'unknown', text: 'No copper strip was used.', basis }
    const has = `${Math.round(copperPpm.likely)} ppm copper`
    if (copperPpm.likely >= limit)
      return { verdict: 'replace', text: `${has}: at or past the limit of ${limit} ppm.`, basis }
    if (copperPpm.high >= limit || copperPpm.likely >= WATCH_SHARE * limit)
      return { verdict: 'watch', text: `${has}: getting near the limit of ${limit} ppm.`, basis }
    return { verdict: 'keep', text: `${has}: well within the limit of ${limit} ppm.`, basis }
  },
  // It comes as the inhibitors go, not along a line that anybody has published.
  due: () => undefined,
}

import { fact } from '../../base/decision'
import type { Rule } from './rule'

/** Share of the limit from which copper is worth watching. @source from memory */
const WATCH_SHARE = 0.5

/** Replace at a content of copper. @source common practice: 200 ppm */
export const copperRule: Rule = {
  unit: 'ppm',
  usual: 200,
  min: 10,
  max: 2000,
  basis: 'practice',
  words: (limit) => fact('limit-copper', { limit }),
  harder: (limit) => limit,
  judge(limit, { copperPpm }) {
    const basis = 'practice'
    if (!copperPpm) return { verdict: 'unknown', ...fact('copper-not-read'), basis }
    const params = { ppm: Math.round(copperPpm.likely), limit }
    if (copperPpm.likely >= limit) return { verdict: 'replace', ...fact('copper-replace', params), basis }
    if (copperPpm.high >= limit || copperPpm.likely >= WATCH_SHARE * limit)
      return { verdict: 'watch', ...fact('copper-watch', params), basis }
    return { verdict: 'keep', ...fact('copper-keep', params), basis }
  },
  // It comes as the inhibitors go, not along a line that anybody has published.
  due: () => undefined,
}

import type { Wording, Words } from './say'

/** What to do, and what to mind while doing it. */
export type StepWords = Readonly<Record<string, Wording | readonly [Wording, Wording]>>

/** Codes of steps: `do-` what is done, `mind-` what to mind. */
export function stepWords(steps: StepWords): Words {
  const words: Record<string, Wording> = {}
  for (const [code, said] of Object.entries(steps)) {
    const [does, minds] = typeof said === 'object' ? said : [said, '']
    words[`do-${code}`] = does
    words[`mind-${code}`] = minds
  }
  return words
}

import { arabic } from './arabic'
import { english } from './english'
import { german } from './german'
import type { CabLanguage } from './language'
import { polish } from './polish'
import { spanish } from './spanish'

/** Every language a cab may be told in. A new one is one file and one line here. */
export const cabLanguages = {
  en: english,
  de: german,
  es: spanish,
  pl: polish,
  ar: arabic,
} as const satisfies Record<string, CabLanguage>

export type CabLanguageId = keyof typeof cabLanguages
export const cabLanguageIds = Object.keys(cabLanguages) as [CabLanguageId, ...CabLanguageId[]]

/** The language of a browser that asks for these, the first that is known; English where none is. */
export const cabLanguageFor = (acceptLanguage: string): CabLanguageId =>
  acceptLanguage
    .split(',')
    .flatMap((each) => cabLanguageIds.find((id) => each.trim().toLowerCase().startsWith(id)) ?? [])[0] ?? 'en'

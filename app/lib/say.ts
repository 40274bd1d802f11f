import { useMemo } from 'react'
import { type Say, sayEnglish } from '~core/words'
import { useShow } from './units'

/** Says facts in the units of whoever is at this screen. */
export function useSay(): Say {
  const show = useShow()
  return useMemo(() => sayEnglish(show), [show])
}

import { techniqueOf } from '~core/technique'
import { type Technique, techniqueIds } from '~core/technique/technique'
import { useChanges } from './changes'

/** The ways an address asks for, by hand. */
export const waysIn = (search: URLSearchParams) =>
  techniqueIds.filter((id) => search.getAll('way').includes(id))

/** Take another way at one place of work, or go back to the usual one there. */
export function useTakeWay() {
  const [, change] = useChanges()
  return (at: Technique['at'], technique: string) =>
    change((now) => {
      const next = new URLSearchParams(now)
      next.delete('way')
      for (const id of waysIn(now)) if (techniqueOf(id).at !== at) next.append('way', id)
      if (technique !== '') next.append('way', technique)
      return next
    })
}

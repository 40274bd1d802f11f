import { takeOnHand } from '../physics/exchange/on-hand'
import { freeMl, type ShelfContainer } from './container'

/** Opened ones first, the longest open before the others; of sealed ones those that have stood longest, as listed. */
export const openFirst = <C extends ShelfContainer>(containers: readonly C[]): C[] =>
  [...containers].sort((a, b) => {
    if (a.openedOn === b.openedOn) return 0
    if (a.openedOn === undefined) return 1
    if (b.openedOn === undefined) return -1
    return a.openedOn < b.openedOn ? -1 : 1
  })

export type Reserved = { code: string; ml: number }

/**
 * What is held back of which containers for a need: what is open already is used up first, then of the sealed ones
 * those that leave the least over. Less than the need where the shelf does not reach.
 *
 * @param containers that may be poured, with what others have reserved taken into account
 */
export function reserve(needMl: number, containers: readonly ShelfContainer[]): Reserved[] {
  const reserved: Reserved[] = []
  let left = needMl
  const take = (container: ShelfContainer) => {
    const ml = Math.min(left, freeMl(container))
    if (ml <= 0) return
    reserved.push({ code: container.code, ml })
    left -= ml
  }
  const ordered = openFirst(containers)
  for (const container of ordered) if (container.openedOn !== undefined) take(container)
  const sealed = ordered.filter(({ openedOn }) => openedOn === undefined)
  for (const { ml, count } of takeOnHand(
    left,
    sealed.map((container) => ({ ml: freeMl(container), count: 1 })).filter(({ ml }) => ml >= 1),
  )) {
    const same = sealed.filter(
      (container) => freeMl(container) === ml && !reserved.some(({ code }) => code === container.code),
    )
    for (const container of same.slice(0, count)) take(container)
  }
  return reserved
}

import type { OrderItem } from './school'

/**
 * What the maker lists, in his order, then what he leaves out as a school arranged it.
 * @source the vehicle maker, who always wins
 */
export function makersOrder(stated: readonly string[], bySchool: readonly OrderItem[]): OrderItem[] {
  const listed = stated.flatMap((id) => bySchool.filter((item) => item.id === id))
  return [...listed, ...bySchool.filter((item) => !listed.includes(item))]
}

import type { OrderItem } from './school'

/** Bleeders that are done one after the other, whatever stands between them in length: a brake, or a lever's brakes. */
export type Place = { items: OrderItem[]; longest: OrderItem; shortest: OrderItem }

/** Gather items by what they share; the items keep their order, and the places that of their first item. */
export function placesBy(
  items: readonly OrderItem[],
  sharedBy: (item: OrderItem) => string,
): [Place, ...Place[]] | [] {
  const places = new Map<string, Place>()
  for (const item of items) {
    const place = places.get(sharedBy(item))
    if (!place) {
      places.set(sharedBy(item), { items: [item], longest: item, shortest: item })
      continue
    }
    place.items.push(item)
    if (item.lengthM > place.longest.lengthM) place.longest = item
    if (item.lengthM < place.shortest.lengthM) place.shortest = item
  }
  return [...places.values()] as [Place, ...Place[]] | []
}

/** Within one brake the lower or inboard bleeder comes first and the highest last, in every school: air rises to the last. */
export const lowerFirst = (items: readonly OrderItem[]): OrderItem[] =>
  [...items].sort((a, b) => a.indexInPart - b.indexInPart)

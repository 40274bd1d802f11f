import { lowerFirst, placesBy } from './places'
import type { OrderSchool } from './school'
import { byPosition, longerFirst } from './ties'

/** Longest run from the master cylinder first, a brake at a time. @source common practice, the usual default */
export const furthestFirst: OrderSchool = {
  id: 'furthest-first',
  arrange: (items, driverSide) =>
    placesBy(items, (item) => item.partId)
      .sort((a, b) => longerFirst(a.longest, b.longest) || byPosition(driverSide)(a.longest, b.longest))
      .flatMap((brake) => lowerFirst(brake.items)),
}

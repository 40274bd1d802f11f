import { lowerFirst, placesBy } from './places'
import type { OrderSchool } from './school'
import { byPosition, longerFirst } from './ties'

/** Longest run from the master cylinder first, a brake at a time. @source common practice, the usual default */
export const furthestFirst: OrderSchool = {
  id: 'furthest-first',
  name: 'Furthest first',
  why: 'The longest run first, so that new fluid is never pulled back past old.',
  arrange: (items, driverSide) =>
    placesBy(items, (item) => item.partId)
      .sort((a, b) => longerFirst(a.longest, b.longest) || byPosition(driverSide)(a.longest, b.longest))
      .flatMap((brake) => lowerFirst(brake.items)),
}

import { furthestFirst } from './furthest-first'
import { lowerFirst, placesBy } from './places'
import type { OrderSchool } from './school'
import { byPosition, longerFirst } from './ties'

/**
 * Shortest run first, a brake at a time. Two brakes on one lever stay together at the place of the nearer one, and
 * the one further along the hose still comes first: that holds in every school.
 * @source common practice: some makers, with some control units
 */
export const nearestFirst: OrderSchool = {
  id: 'nearest-first',
  arrange: (items, driverSide) =>
    placesBy(items, (item) => item.leverPair ?? item.partId)
      .sort((a, b) => longerFirst(b.shortest, a.shortest) || byPosition(driverSide)(a.shortest, b.shortest))
      .flatMap((place) =>
        place.shortest.leverPair === undefined
          ? lowerFirst(place.items)
          : furthestFirst.arrange(place.items, driverSide),
      ),
}

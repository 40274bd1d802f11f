import type { OrderSchool } from './school'
import { byPosition, longerFirst } from './ties'

/** Longest run from the master cylinder first. @source common practice, the usual default */
export const furthestFirst: OrderSchool = {
  id: 'furthest-first',
  name: 'Furthest first',
  why: 'The longest run first, so that new fluid is never pulled back past old.',
  arrange: (items, driverSide) =>
    [...items].sort((a, b) => longerFirst(a, b) || byPosition(driverSide)(a, b)),
}

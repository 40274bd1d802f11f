import type { OrderSchool } from './school'
import { byPosition, longerFirst } from './ties'

/** Shortest run first. @source common practice: some makers, with some control units */
export const nearestFirst: OrderSchool = {
  id: 'nearest-first',
  name: 'Nearest first',
  why: 'Some makers ask for it with some control units.',
  arrange: (items, driverSide) =>
    [...items].sort((a, b) => longerFirst(b, a) || byPosition(driverSide)(a, b)),
}

import type { NewContainers } from '~server/store/shelf.server'

/** What stands on the invented shelf: products, batches and prices are made up. */
export const delivery: readonly (Omit<NewContainers, 'openedOn'> & { openedDaysAgo?: number })[] = [
  {
    product: 'Skerry 4',
    spec: 'DOT 4',
    batch: 'S4-118',
    sizeMl: 1000,
    count: 1,
    price: 14,
    openedDaysAgo: 9,
    leftMl: 420,
  },
  { product: 'Skerry 4', spec: 'DOT 4', batch: 'S4-121', sizeMl: 500, count: 2, price: 8.5 },
  {
    product: 'Skerry 5.1',
    spec: 'DOT 5.1',
    dryC: 272,
    wetC: 186,
    batch: 'S51-40',
    sizeMl: 1000,
    count: 1,
    price: 19,
  },
  {
    product: 'Brae Three',
    spec: 'DOT 3',
    batch: 'B3-77',
    sizeMl: 1000,
    count: 1,
    price: 11,
    openedDaysAgo: 47,
    leftMl: 610,
  },
  { product: 'Murre S', spec: 'DOT 5', batch: 'M-09', sizeMl: 355, count: 1, price: 22 },
]

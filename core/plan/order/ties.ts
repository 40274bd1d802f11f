import type { DriverSide, OrderItem } from './school'

/** Runs that differ by less than a tenth of a millimetre are the same run added up in another order. */
export const SAME_LENGTH_M = 1e-4

const usual = ['rear-right', 'rear', 'rear-left', 'front-right', 'front', 'front-left']
const mirrored = ['rear-left', 'rear', 'rear-right', 'front-left', 'front', 'front-right']

function rank(item: OrderItem, driverSide: DriverSide): number {
  const at = (driverSide === 'right' ? mirrored : usual).indexOf(item.position ?? '')
  return at < 0 ? usual.length : at
}

/**
 * Between equal runs: by position RR, RL, FR, FL (mirrored where the driver sits right), then by circuit and id so
 * that the answer never depends on the file's order.
 * @source common practice
 */
export function byPosition(driverSide: DriverSide) {
  return (a: OrderItem, b: OrderItem): number =>
    rank(a, driverSide) - rank(b, driverSide) ||
    compareText(a.circuit, b.circuit) ||
    compareText(a.partId, b.partId) ||
    compareText(a.id, b.id)
}

/** Longer run first; negative sorts `a` first. */
export const longerFirst = (a: OrderItem, b: OrderItem): number =>
  Math.abs(a.lengthM - b.lengthM) < SAME_LENGTH_M ? 0 : b.lengthM - a.lengthM

/** By code point: the same on every machine, whatever its language. */
export const compareText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0)

import { furthestFirst } from './furthest-first'
import type { OrderItem, OrderSchool } from './school'
import { compareText, longerFirst } from './ties'

/** One circuit whole, then the next; longest run first inside each. @source common practice */
export const circuitByCircuit: OrderSchool = {
  id: 'circuit-by-circuit',
  arrange: (items, driverSide) => {
    const circuits = new Map<string, OrderItem[]>()
    for (const item of furthestFirst.arrange(items, driverSide))
      circuits.set(item.circuit, [...(circuits.get(item.circuit) ?? []), item])
    return [...circuits]
      .sort(([labelA, [a]], [labelB, [b]]) => (a && b ? longerFirst(a, b) : 0) || compareText(labelA, labelB))
      .flatMap(([, ordered]) => ordered)
  },
}

import pattern from '../examples/touring-linked.json'
import type { Layout } from './layout'

export const motorcycleLinked: Layout = {
  id: 'motorcycle-linked',
  name: 'Motorcycle, linked brakes',
  about: 'Lever and pedal both work the front; a second cylinder on a caliper helps the rear.',
  pattern,
  wheelbaseMm: 1690,
  trackMm: 700,
}

import pattern from '../examples/touring-linked.json'
import type { Layout } from './layout'

export const motorcycleLinked: Layout = {
  id: 'motorcycle-linked',
  pattern,
  wheelbaseMm: 1690,
  trackMm: 700,
}

import pattern from '../examples/courier-twin-disc.json'
import type { Layout } from './layout'

export const motorcycleTwinDisc: Layout = {
  id: 'motorcycle-twin-disc',
  pattern,
  wheelbaseMm: 1440,
  trackMm: 700,
}

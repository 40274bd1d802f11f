import pattern from '../examples/school-minibus.json'
import type { Layout } from './layout'

export const minibus: Layout = {
  id: 'minibus',
  pattern,
  wheelbaseMm: 3750,
  trackMm: 1750,
}

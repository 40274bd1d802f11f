import pattern from '../examples/school-minibus.json'
import type { Layout } from './layout'

export const minibus: Layout = {
  id: 'minibus',
  name: 'Minibus, two bleeders on each front caliper',
  about: 'Front and rear circuits through an ABS unit, one pipe to the rear axle.',
  pattern,
  wheelbaseMm: 3750,
  trackMm: 1750,
}

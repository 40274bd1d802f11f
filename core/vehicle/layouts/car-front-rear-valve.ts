import pattern from '../examples/ferry-estate.json'
import type { Layout } from './layout'

export const carFrontRearValve: Layout = {
  id: 'car-front-rear-valve',
  name: 'Car or estate, front and rear circuits',
  about: 'Rear drums behind a load-sensing valve with a bleeder of its own.',
  pattern,
  wheelbaseMm: 2680,
  trackMm: 1490,
}

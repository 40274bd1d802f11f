import pattern from '../examples/ferry-estate.json'
import type { Layout } from './layout'

export const carFrontRearValve: Layout = {
  id: 'car-front-rear-valve',
  pattern,
  wheelbaseMm: 2680,
  trackMm: 1490,
}

import pattern from '../examples/farm-quad.json'
import type { Layout } from './layout'

export const quadOneLever: Layout = {
  id: 'quad-one-lever',
  pattern,
  wheelbaseMm: 1290,
  trackMm: 920,
}

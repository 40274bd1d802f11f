import pattern from '../examples/market-three-wheeler.json'
import type { Layout } from './layout'

export const threeWheeler: Layout = {
  id: 'three-wheeler',
  pattern,
  wheelbaseMm: 1900,
  trackMm: 1100,
}

import pattern from '../examples/market-three-wheeler.json'
import type { Layout } from './layout'

export const threeWheeler: Layout = {
  id: 'three-wheeler',
  name: 'Three-wheeler',
  about: 'One wheel in front, two behind, one circuit.',
  pattern,
  wheelbaseMm: 1900,
  trackMm: 1100,
}

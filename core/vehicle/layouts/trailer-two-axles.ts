import pattern from '../examples/boat-trailer.json'
import type { Layout } from './layout'

export const trailerTwoAxles: Layout = {
  id: 'trailer-two-axles',
  pattern,
  wheelbaseMm: 4200,
  trackMm: 1800,
}

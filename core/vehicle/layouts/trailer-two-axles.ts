import pattern from '../examples/boat-trailer.json'
import type { Layout } from './layout'

export const trailerTwoAxles: Layout = {
  id: 'trailer-two-axles',
  name: 'Trailer, two axles',
  about: 'Hydraulics of its own, worked at the coupling.',
  pattern,
  wheelbaseMm: 4200,
  trackMm: 1800,
}

import pattern from '../examples/electric-post-van.json'
import type { Layout } from './layout'

export const vanElectric: Layout = {
  id: 'van-electric',
  name: 'Electric van, diagonal split',
  about: 'A unit that is bled wheel by wheel, electric parking brake.',
  pattern,
  wheelbaseMm: 3000,
  trackMm: 1600,
}

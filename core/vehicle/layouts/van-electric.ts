import pattern from '../examples/electric-post-van.json'
import type { Layout } from './layout'

export const vanElectric: Layout = {
  id: 'van-electric',
  pattern,
  wheelbaseMm: 3000,
  trackMm: 1600,
}

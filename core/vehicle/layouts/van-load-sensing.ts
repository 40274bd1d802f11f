import pattern from '../examples/parcel-van.json'
import type { Layout } from './layout'

export const vanLoadSensing: Layout = {
  id: 'van-load-sensing',
  pattern,
  wheelbaseMm: 3400,
  trackMm: 1700,
}

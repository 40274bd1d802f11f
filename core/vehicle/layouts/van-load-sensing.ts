import pattern from '../examples/parcel-van.json'
import type { Layout } from './layout'

export const vanLoadSensing: Layout = {
  id: 'van-load-sensing',
  name: 'Van, stability control and load-sensing valve',
  about: 'Front and rear circuits; the rear valve has a bleeder.',
  pattern,
  wheelbaseMm: 3400,
  trackMm: 1700,
}

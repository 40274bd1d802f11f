import pattern from '../examples/rescue-motorcycle.json'
import type { Layout } from './layout'

export const motorcycleUnit: Layout = {
  id: 'motorcycle-unit',
  pattern,
  wheelbaseMm: 1520,
  trackMm: 700,
}

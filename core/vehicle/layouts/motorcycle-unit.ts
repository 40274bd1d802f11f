import pattern from '../examples/rescue-motorcycle.json'
import type { Layout } from './layout'

export const motorcycleUnit: Layout = {
  id: 'motorcycle-unit',
  name: 'Motorcycle with control unit',
  about: 'A unit with a bleeder in each circuit.',
  pattern,
  wheelbaseMm: 1520,
  trackMm: 700,
}

import pattern from '../examples/doctors-runabout.json'
import type { Layout } from './layout'

export const carDiagonalUnit: Layout = {
  id: 'car-diagonal-unit',
  pattern,
  wheelbaseMm: 2500,
  trackMm: 1460,
}

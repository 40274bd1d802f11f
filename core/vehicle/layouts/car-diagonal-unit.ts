import pattern from '../examples/doctors-runabout.json'
import type { Layout } from './layout'

export const carDiagonalUnit: Layout = {
  id: 'car-diagonal-unit',
  name: 'Car, diagonal split with control unit',
  about: 'Each half of the cylinder feeds one front and the opposite rear wheel, through an ABS unit.',
  pattern,
  wheelbaseMm: 2500,
  trackMm: 1460,
}

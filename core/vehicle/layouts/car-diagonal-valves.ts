import pattern from '../examples/ferry-hand-compact.json'
import type { Layout } from './layout'

export const carDiagonalValves: Layout = {
  id: 'car-diagonal-valves',
  name: 'Car, diagonal split without unit',
  about: 'One front and the opposite rear wheel on each half, a proportioning valve before each rear drum.',
  pattern,
  wheelbaseMm: 2400,
  trackMm: 1400,
}

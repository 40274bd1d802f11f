import pattern from '../examples/ferry-hand-compact.json'
import type { Layout } from './layout'

export const carDiagonalValves: Layout = {
  id: 'car-diagonal-valves',
  pattern,
  wheelbaseMm: 2400,
  trackMm: 1400,
}

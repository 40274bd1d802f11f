import pattern from '../examples/hybrid-taxi.json'
import type { Layout } from './layout'

export const carByWire: Layout = {
  id: 'car-by-wire',
  name: 'Hybrid, brake by wire',
  about: 'A unit with its own pump works the rears, the pedal the fronts; a stroke simulator.',
  pattern,
  wheelbaseMm: 2700,
  trackMm: 1530,
}

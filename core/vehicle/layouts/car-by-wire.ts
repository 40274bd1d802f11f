import pattern from '../examples/hybrid-taxi.json'
import type { Layout } from './layout'

export const carByWire: Layout = {
  id: 'car-by-wire',
  pattern,
  wheelbaseMm: 2700,
  trackMm: 1530,
}

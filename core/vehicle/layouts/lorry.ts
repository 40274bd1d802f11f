import pattern from '../examples/coal-lorry.json'
import type { Layout } from './layout'

export const lorry: Layout = {
  id: 'lorry',
  name: 'Lorry, two brakes on each rear wheel',
  about: 'Large reservoir, two bleeders on each front caliper.',
  pattern,
  wheelbaseMm: 4200,
  trackMm: 1900,
}

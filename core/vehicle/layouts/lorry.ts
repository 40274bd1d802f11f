import pattern from '../examples/coal-lorry.json'
import type { Layout } from './layout'

export const lorry: Layout = {
  id: 'lorry',
  pattern,
  wheelbaseMm: 4200,
  trackMm: 1900,
}

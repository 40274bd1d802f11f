import pattern from '../examples/fire-tender.json'
import type { Layout } from './layout'

export const lorryTwoReservoirs: Layout = {
  id: 'lorry-two-reservoirs',
  pattern,
  wheelbaseMm: 3900,
  trackMm: 1850,
}

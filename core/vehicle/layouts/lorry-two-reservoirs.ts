import pattern from '../examples/fire-tender.json'
import type { Layout } from './layout'

export const lorryTwoReservoirs: Layout = {
  id: 'lorry-two-reservoirs',
  name: 'Lorry, a reservoir for each circuit',
  about: 'Two cylinders in each front drum, a load-sensing valve behind.',
  pattern,
  wheelbaseMm: 3900,
  trackMm: 1850,
}

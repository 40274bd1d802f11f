import pattern from '../examples/mountain-rescue.json'
import type { Layout } from './layout'

export const offRoader: Layout = {
  id: 'off-roader',
  pattern,
  wheelbaseMm: 2600,
  trackMm: 1500,
}

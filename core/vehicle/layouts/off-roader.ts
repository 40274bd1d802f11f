import pattern from '../examples/mountain-rescue.json'
import type { Layout } from './layout'

export const offRoader: Layout = {
  id: 'off-roader',
  name: 'Off-roader, metering and proportioning valves',
  about: 'Front and rear circuits through a pressure-difference switch.',
  pattern,
  wheelbaseMm: 2600,
  trackMm: 1500,
}

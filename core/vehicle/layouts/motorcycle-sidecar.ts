import pattern from '../examples/post-sidecar.json'
import type { Layout } from './layout'

export const motorcycleSidecar: Layout = {
  id: 'motorcycle-sidecar',
  name: 'Motorcycle with sidecar',
  about: 'One front disc; the sidecar’s brake on the rear pedal.',
  pattern,
  wheelbaseMm: 1480,
  trackMm: 1200,
}

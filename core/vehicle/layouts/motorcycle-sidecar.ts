import pattern from '../examples/post-sidecar.json'
import type { Layout } from './layout'

export const motorcycleSidecar: Layout = {
  id: 'motorcycle-sidecar',
  pattern,
  wheelbaseMm: 1480,
  trackMm: 1200,
}

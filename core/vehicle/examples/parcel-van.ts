import type { Example } from './example'
import file from './parcel-van.json'

/**
 * Front and rear circuits, a control unit without a bleeder, a load-sensing valve with one. Runs: FL 0.7+1.0+0.5 = 2.2,
 * FR 0.7+2.0+0.5 = 3.2, valve 0.7+2.8 = 3.5, RL 0.7+2.8+0.9+0.5 = 4.9, RR 0.7+2.8+1.3+0.5 = 5.3 m.
 * The maker lists rear left, then rear right, and no more: those two come in his order in every school, the valve still
 * before them (upstream beats the maker), and the school orders the fronts that he leaves out.
 */
export const parcelVan: Example = {
  file,
  runsM: { FL: 2.2, FR: 3.2, V: 3.5, RL: 4.9, RR: 5.3 },
  orders: {
    'furthest-first': ['V', 'RL', 'RR', 'FR', 'FL'],
    'nearest-first': ['V', 'RL', 'RR', 'FL', 'FR'],
    'circuit-by-circuit': ['V', 'RL', 'RR', 'FR', 'FL'],
  },
}

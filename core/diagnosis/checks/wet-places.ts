import type { Check } from '../check'
import { complaintIds } from '../complaints'

/** Where it is wet, seen from outside; behind the cylinder and inside the car are looks of their own. */
export const wetPlaces: Check = {
  id: 'wet-places',
  minutes: 8,
  results: ['dry', 'wheel', 'line', 'cylinder', 'reservoir', 'booster', 'cabin', 'bellhousing'],
  several: true,
  first: true,
  where: ['wheel', 'line'],
  complaints: complaintIds,
  otherwise: [0.94, 0.012, 0.008, 0.01, 0.012, 0.006, 0.006, 0.006],
  under: {
    'outside-leak': [0.15, 0.34, 0.2, 0.12, 0.06, 0.02, 0.05, 0.06],
    'booster-leak': [0.45, 0.01, 0.01, 0.14, 0.01, 0.3, 0.07, 0.01],
    'cylinder-bypass': [0.88, 0.012, 0.008, 0.04, 0.012, 0.03, 0.012, 0.006],
    'brake-seized': [0.88, 0.08, 0.006, 0.01, 0.006, 0.006, 0.006, 0.006],
    overfilled: [0.7, 0.01, 0.01, 0.02, 0.24, 0.006, 0.008, 0.006],
  },
}

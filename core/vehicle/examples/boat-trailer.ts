import file from './boat-trailer.json'
import type { Example } from './example'

/**
 * A trailer with hydraulics of its own, worked at the coupling, two axles, so two brakes stand at each rear position.
 * Runs: to the fore tee 0.4+3.6 = 4.0; FL +0.8+0.3 = 5.1, FR +0.9+0.3 = 5.2; to the aft tee 4.0+0.9 = 4.9;
 * AL +0.8+0.3 = 6.0, AR +0.9+0.3 = 6.1 m. One circuit. The coupling valve has no bleeder and is in no order.
 */
export const boatTrailer: Example = {
  file,
  runsM: { FL: 5.1, FR: 5.2, AL: 6, AR: 6.1 },
  orders: {
    'furthest-first': ['AR', 'AL', 'FR', 'FL'],
    'nearest-first': ['FL', 'FR', 'AL', 'AR'],
    'circuit-by-circuit': ['AR', 'AL', 'FR', 'FL'],
  },
}

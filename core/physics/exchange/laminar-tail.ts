/**
 * Old share left at the outlet of a bare tube: laminar flow hardly mixes, so the slow layer at the wall
 * leaves late, 1/(4θ²) once θ is above one half; 2.8 % at three volumes.
 *
 * @source Levenspiel, laminar residence time
 */
export const laminarOutletShare = (volumes: number): number => (volumes <= 0.5 ? 1 : 1 / (4 * volumes ** 2))

/** Volumes until the laminar tail falls to `targetShare`; 1 % needs five. */
export const laminarVolumes = (targetShare: number): number => 1 / (2 * Math.sqrt(targetShare))

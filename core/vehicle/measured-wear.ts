import type { Vehicle } from './schema'

/** The vehicle as it stands on this job: how far pistons stand out as somebody measured it beats what its file says. */
export const withMeasuredWear = (vehicle: Vehicle, wearMm: Readonly<Record<string, number>>): Vehicle => ({
  ...vehicle,
  parts: vehicle.parts.map((part) =>
    part.type === 'wheel-brake' && wearMm[part.id] !== undefined
      ? { ...part, padWearMm: wearMm[part.id] ?? part.padWearMm }
      : part,
  ),
})

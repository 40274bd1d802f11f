/** Kinds of vehicle that are told apart. */
export const vehicleKinds = ['car', 'van', 'truck', 'motorcycle', 'quad', 'trailer'] as const
export type VehicleKind = (typeof vehicleKinds)[number]

/** What a way of bleeding may need beside hands, spanners, hose and bottle; a shop ticks what it has. */
export const equipmentIds = [
  'check-valve-hose',
  'hanging-bottle',
  'standpipe-bottles',
  'bench-kit',
  'pedal-prop',
  'metering-tool',
  'battery-support',
] as const
export type EquipmentId = (typeof equipmentIds)[number]

/** A cap adapter of the pressure machine, and the most it is made for. */
export type Adapter = { name: string; maxKPa: number }

/** What a way of bleeding may need beside hands, spanners, hose and bottle; a shop ticks what it has. */
export const equipment = {
  'check-valve-hose': 'Hose with a check valve',
  'hanging-bottle': 'Bottle to hang above a bleeder',
  'standpipe-bottles': 'A bottle with standpipe for every bleeder',
  'bench-kit': 'Bench kit: threaded adapters and hoses',
  'pedal-prop': 'Pedal prop',
  'metering-tool': 'Tool that holds a metering valve open',
  'battery-support': 'Battery supply for long ignition-on work',
} as const

export type EquipmentId = keyof typeof equipment
export const equipmentIds = Object.keys(equipment) as [EquipmentId, ...EquipmentId[]]

/** A cap adapter of the pressure machine, and the most it is made for. */
export type Adapter = { name: string; maxKPa: number }

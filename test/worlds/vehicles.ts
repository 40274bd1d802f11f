import { readVehicle } from '~core/vehicle/read-vehicle'
import type { Vehicle } from '~core/vehicle/schema'

type Corner = { id: string; position: string; lengthM: number; circuit?: string }

/** A car file from a few corners: one reservoir, two chambers, each corner on its own line. Values are plain so that sums can be done by hand. */
export function carFile(corners: readonly Corner[], changes: Record<string, unknown> = {}) {
  return {
    format: 'ruddy-siphon.vehicle',
    version: 1,
    name: 'Test car',
    kind: 'car',
    fluid: { spec: 'DOT 4' },
    parts: [
      { id: 'res', type: 'reservoir', maxMl: 400, minMl: 250, capSeal: 'sound' },
      {
        id: 'mc',
        type: 'master-cylinder',
        fedBy: 'res',
        pedalRatio: 4,
        actuator: 'pedal',
        bleeders: [],
        chambers: [
          { id: 'mc-A', boreMm: 20, strokeMm: 15 },
          { id: 'mc-B', boreMm: 20, strokeMm: 15 },
        ],
      },
      ...corners.map(({ id, position }) => ({
        id: `brake-${id}`,
        type: 'wheel-brake',
        position,
        brake: 'disc',
        pistons: [{ diameterMm: 50, count: 1 }],
        padWearMm: 5,
        bleeders: [{ id, wrenchMm: 10 }],
      })),
    ],
    lines: corners.map(({ id, lengthM, circuit = 'A' }) => ({
      id: `line-${id}`,
      from: `mc-${circuit}`,
      to: `brake-${id}`,
      circuit,
      segments: [{ lengthM, boreMm: 3.34, kind: 'tube' }],
    })),
    ...changes,
  }
}

export const fourCorners: Corner[] = [
  { id: 'fl', position: 'front-left', lengthM: 1.2, circuit: 'A' },
  { id: 'fr', position: 'front-right', lengthM: 2.1, circuit: 'A' },
  { id: 'rl', position: 'rear-left', lengthM: 4.2, circuit: 'B' },
  { id: 'rr', position: 'rear-right', lengthM: 5, circuit: 'B' },
]

/** A file known to be good, as a vehicle. */
export function vehicleFrom(file: unknown): Vehicle {
  const read = readVehicle(file)
  if (!read.ok) throw new Error(read.faults.map((fault) => `${fault.path}: ${fault.message}`).join('\n'))
  return read.value
}

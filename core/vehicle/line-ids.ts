import { bleedersOf } from './parts'
import type { Vehicle } from './schema'

/** Every line with an id of its own, so that it can be named as opened; one that has none is called by where it goes. */
export function withLineIds(vehicle: Vehicle): Vehicle {
  const used = new Set<string>([
    ...vehicle.lines.flatMap(({ id }) => id ?? []),
    ...vehicle.parts.flatMap((part) => [
      part.id,
      ...bleedersOf(part).map(({ id }) => id),
      ...(part.type === 'master-cylinder' ? part.chambers.map(({ id }) => id) : []),
    ]),
  ])
  return {
    ...vehicle,
    lines: vehicle.lines.map((line) => {
      if (line.id !== undefined) return line
      const usual = `${line.from} to ${line.to} (${line.circuit})`
      let id = usual
      // Two lines between the same two parts.
      for (let n = 2; used.has(id); n++) id = `${usual} ${n}`
      used.add(id)
      return { ...line, id }
    }),
  }
}

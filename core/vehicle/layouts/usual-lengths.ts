import { downstreamOf, sourcePart } from '../network'
import { partsOf } from '../parts'
import type { Line, Part, Vehicle } from '../schema'

/** A place on the vehicle, metres: right and forward of the front axle's middle. */
type Place = { xM: number; yM: number }

/** Pipes bend round things, and rise over an axle and into a brake. @source from memory */
const DETOUR = 1.15
const RISE_M = 0.2
/** From a handlebar down to the frame. @source from memory */
const BAR_M = 0.5
const SHORTEST_M = 0.2
const STEP_M = 0.05

type Frame = { wheelbaseM: number; halfTrackM: number; side: number; trailer: boolean }

function frameOf(vehicle: Vehicle): Frame {
  return {
    wheelbaseM: (vehicle.wheelbaseMm ?? 0) / 1000,
    halfTrackM: (vehicle.trackMm ?? 0) / 2000,
    side: vehicle.driverSide === 'right' ? 1 : vehicle.driverSide === 'left' ? -1 : 0,
    trailer: vehicle.kind === 'trailer',
  }
}

/** Where such a part usually is. @source from memory */
function usualPlace(vehicle: Vehicle, part: Part, { wheelbaseM, halfTrackM, side, trailer }: Frame): Place {
  switch (part.type) {
    case 'wheel-brake': {
      const xM = part.position.endsWith('left')
        ? -halfTrackM
        : part.position.endsWith('right')
          ? halfTrackM
          : 0
      const mates = partsOf(vehicle, 'wheel-brake').filter(({ position }) => position === part.position)
      return { xM, yM: (part.position.startsWith('front') ? 0 : -wheelbaseM) - 0.3 * mates.indexOf(part) }
    }
    case 'control-unit':
    case 'pump':
      return { xM: side * halfTrackM * 0.3, yM: -0.15 - 0.1 * wheelbaseM }
    case 'clutch-slave':
      return { xM: 0, yM: -0.9 }
    case 'valve':
    case 'junction': {
      const below = downstreamOf(vehicle, [{ partId: part.id }])
      const wheels = partsOf(vehicle, 'wheel-brake').filter(({ id }) => below.has(id))
      const front = wheels.filter(({ position }) => position.startsWith('front')).length
      if (wheels.length > 0 && front === wheels.length) return { xM: side * halfTrackM * 0.3, yM: -0.2 }
      if (wheels.length > 0 && front === 0) return { xM: side * halfTrackM * 0.2, yM: 0.25 - wheelbaseM }
      return { xM: side * halfTrackM * 0.3, yM: trailer ? -0.3 : -0.45 }
    }
    default:
      return { xM: side * halfTrackM * 0.5, yM: trailer ? 0 : -0.35 }
  }
}

const rounded = (lengthM: number) =>
  Math.max(SHORTEST_M, Number((Math.round(lengthM / STEP_M) * STEP_M).toFixed(2)))

/**
 * Lines as long as they usually are between the places such parts usually have, from wheelbase, track and driver's
 * side. Hoses keep their length; the tubes of a line share the rest as they did.
 * @source from memory: defaults, to be replaced by what is measured
 */
export function withUsualLengths(vehicle: Vehicle): Vehicle {
  const frame = frameOf(vehicle)
  const byId = new Map(vehicle.parts.map((part) => [part.id, part]))
  const partOf = (id: string) => byId.get(id) ?? sourcePart(vehicle, id)
  return { ...vehicle, lines: vehicle.lines.map((line) => ({ ...line, segments: fitted(line) })) }

  function fitted({ from, to, segments }: Line): Line['segments'] {
    const [start, end] = [partOf(from), partOf(to)]
    if (!start || !end) return segments
    const [a, b] = [usualPlace(vehicle, start, frame), usualPlace(vehicle, end, frame)]
    const lever = start.type === 'master-cylinder' && start.actuator === 'lever' ? BAR_M : 0
    const wantedM = DETOUR * (Math.abs(a.xM - b.xM) + Math.abs(a.yM - b.yM)) + RISE_M + lever
    const sum = (kind: 'tube' | 'hose') =>
      segments.reduce((all, segment) => all + (segment.kind === kind ? segment.lengthM : 0), 0)
    const tubeM = sum('tube')
    if (tubeM === 0)
      return segments.map((segment) => ({
        ...segment,
        lengthM: rounded((wantedM * segment.lengthM) / sum('hose')),
      }))
    const restM = Math.max(SHORTEST_M, wantedM - sum('hose'))
    return segments.map((segment) =>
      segment.kind === 'tube' ? { ...segment, lengthM: rounded((restM * segment.lengthM) / tubeM) } : segment,
    )
  }
}

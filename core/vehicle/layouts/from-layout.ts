import type { Reading } from '../../base/fault'
import { readVehicle } from '../read-vehicle'
import type { Part, Vehicle } from '../schema'
import type { Layout, LayoutAnswers } from './layout'
import { withUsualLengths } from './usual-lengths'

/** What only this one vehicle can tell: a guess at a spanner or a torque would be worse than none. */
function withoutOwnFacts(part: Part): Part {
  const { at: _, ...rest } = part
  const bare =
    'bleeders' in rest
      ? { ...rest, bleeders: rest.bleeders.map(({ id, circuit }) => ({ id, circuit })) }
      : rest
  switch (bare.type) {
    case 'reservoir':
      return { ...bare, cap: undefined, capAdapter: undefined, capSeal: 'unknown' }
    case 'master-cylinder':
      return { ...bare, benchThread: undefined }
    default:
      return bare
  }
}

/** The marks of the first reservoir as answered; others by the same proportion. */
function withMarks(parts: readonly Part[], { maxMl, minMl }: LayoutAnswers): Part[] {
  const first = parts.find((part) => part.type === 'reservoir')
  return parts.map((part) => {
    if (part.type !== 'reservoir' || first?.type !== 'reservoir') return part
    const share = part.maxMl / first.maxMl
    return { ...part, maxMl: Math.round(maxMl * share), minMl: Math.round(minMl * share) }
  })
}

/** Ids of everything whose sizes are usual ones and nobody has measured. */
const assumedIds = ({ parts, lines }: Vehicle): string[] => [
  ...parts.filter(({ type }) => type !== 'reservoir' && type !== 'junction').map(({ id }) => id),
  ...lines.flatMap(({ id }) => id ?? []),
]

/**
 * A new vehicle from a layout: its parts and what joins them, run lengths from wheelbase, track and driver's side, and
 * usual sizes, each marked as assumed until somebody gives the vehicle's own. The maker's order and settings are left
 * out: they belong to one vehicle.
 *
 * @returns the vehicle, or what of the answers cannot be
 */
export function fromLayout(layout: Layout, answers: LayoutAnswers): Reading<Vehicle> {
  const pattern = readVehicle(layout.pattern)
  if (!pattern.ok) return pattern
  const { kind, parts, lines, format, version } = pattern.value
  const { name, driverSide, wheelbaseMm, trackMm, fluidSpec } = answers
  const bare: Vehicle = {
    format,
    version,
    name,
    kind,
    driverSide,
    wheelbaseMm,
    trackMm,
    fluid: { spec: fluidSpec, alsoAllowed: [] },
    parts: withMarks(parts.map(withoutOwnFacts), answers),
    lines,
  }
  const sized = withUsualLengths(bare)
  return readVehicle(JSON.parse(JSON.stringify({ ...sized, assumed: assumedIds(sized) })))
}

import { ImpossibleInput } from '../base/fault'
import type { Line } from '../vehicle/schema'
import type { Segment } from './lines'

/** A stretch of a line, in m along it from where it begins. */
export type Stretch = { fromM: number; toM: number }

/** Cut so near to a fitting, the short end is not worth its coupler. @source from memory */
const NEAR_FITTING_M = 0.1

/** Each piece of a line with where it begins and ends. */
export const placed = (segments: readonly Segment[]): (Segment & Stretch)[] => {
  let end = 0
  return segments.map((segment) => {
    const fromM = end
    end += segment.lengthM
    return { ...segment, fromM, toM: end }
  })
}

/**
 * The tube between two fittings that a stretch of rust lies on.
 *
 * @throws {ImpossibleInput} where the stretch reaches beyond it: into a hose, or past the line's end
 */
export function tubeAround({ segments }: Line, { fromM, toM }: Stretch): Stretch {
  if (!(toM > fromM))
    throw new ImpossibleInput('rust-to', 'give where the rust ends, further on than it begins')
  const pieces = placed(segments)
  const lengthM = pieces.at(-1)?.toM ?? 0
  if (toM > lengthM + 1e-9)
    throw new ImpossibleInput('rust-to', `give at most ${lengthM.toFixed(2)} m: the line is no longer`)
  const runs = pieces.reduce<Stretch[]>((all, piece, i) => {
    if (piece.kind !== 'tube') return all
    const before = pieces[i - 1]
    const last = all.at(-1)
    if (last && before?.kind === 'tube') last.toM = piece.toM
    else all.push({ fromM: piece.fromM, toM: piece.toM })
    return all
  }, [])
  const run = runs.find((each) => fromM >= each.fromM - 1e-9 && toM <= each.toM + 1e-9)
  if (!run) throw new ImpossibleInput('rust-to', 'give rust on one length of tube: this reaches into a hose')
  return run
}

/** Where to cut: so much sound tube beyond the rust, or at the fitting where that is near. */
export function cutsFor(rust: Stretch, clearM: number, tube: Stretch): Stretch {
  const [fromM, toM] = [rust.fromM - clearM, rust.toM + clearM]
  return {
    fromM: fromM - tube.fromM < NEAR_FITTING_M ? tube.fromM : fromM,
    toM: tube.toM - toM < NEAR_FITTING_M ? tube.toM : toM,
  }
}

/** The pieces of a line once a stretch of it is another tube. */
export function withNewTube({ segments }: Line, cut: Stretch, tube: Omit<Segment, 'kind'>): Segment[] {
  const parts = placed(segments)
  const cropped = (from: number, to: number): Segment[] =>
    parts.flatMap(({ fromM, toM, ...segment }) => {
      const lengthM = Math.min(toM, to) - Math.max(fromM, from)
      return lengthM > 1e-3 ? [{ ...segment, lengthM }] : []
    })
  return [...cropped(0, cut.fromM), { ...tube, kind: 'tube' as const }, ...cropped(cut.toM, Infinity)]
}
